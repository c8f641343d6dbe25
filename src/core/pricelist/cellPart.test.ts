import { describe, expect, test } from 'vitest'
import { cellPart, inferPart } from './cellPart.ts'
import { tableHeader } from '../table/tableHeader.ts'

describe('a part of a cell', () => {
  test.each([
    ['4 vCPU, 16 GiB', '4', ['2 vCPU, 8 GiB', '16 vCPU, 128 GiB'], ['2', '16']],
    ['4 vCPU, 16 GiB', '16', ['2 vCPU, 8 GiB'], ['8']],
    ['std-4x16', '16', ['std-2x8', 'big-16x128'], ['8', '128']],
    ['RAM: 64', '64', ['RAM: 8'], ['8']],
    ['tern 4-16 (2027)', '4', ['tern 8-32 (2027)'], ['8']],
    ['North Harbour, zone b', 'b', ['South, zone c'], ['c']],
  ])('pointed at in %s: %s', (cell, picked, others, expected) => {
    const part = inferPart([{ cell, picked }], [cell, ...others])!
    expect(others.map((other) => cellPart(other, part))).toEqual(expected)
  })

  test('a second example tells rules apart that the first leaves open', () => {
    const cells = ['2x2', '4x8', '8x16']
    const one = inferPart([{ cell: '2x2', picked: '2' }], cells)!
    expect(cellPart('4x8', one)).toBe('4')
    const two = inferPart(
      [
        { cell: '2x2', picked: '2' },
        { cell: '4x8', picked: '8' },
      ],
      cells,
    )!
    expect(cells.map((cell) => cellPart(cell, two))).toEqual(['2', '8', '16'])
  })

  test('is none where no rule finds it', () => {
    expect(inferPart([{ cell: 'tern', picked: '4' }], ['tern'])).toBeUndefined()
  })
})

describe('headings', () => {
  test('stand above the first rows of figures, whatever stands above them', () => {
    expect(tableHeader([['Prices'], [], ['size', 'vcpu'], ['a', '4'], ['b', '8']])).toMatchObject({
      rows: 3,
      columns: ['size', 'vcpu'],
    })
  })

  test('of groups over several columns are put before what repeats', () => {
    const rows = [
      ['', 'Lyon', '', 'Turku', ''],
      ['size', 'hour', 'month', 'hour', 'month'],
      ['a', '0.1', '70', '0.2', '140'],
    ]
    expect(tableHeader(rows).columns).toEqual([
      'size',
      'Lyon hour',
      'Lyon month',
      'Turku hour',
      'Turku month',
    ])
  })

  test('are numbers where there are none, and each is there once', () => {
    expect(
      tableHeader([
        ['1', '2'],
        ['3', '4'],
      ]),
    ).toMatchObject({ rows: 0, columns: ['column 1', 'column 2'] })
    expect(
      tableHeader([
        ['a', 'a', ''],
        ['x', '1', '2'],
      ]).columns,
    ).toEqual(['a', 'a (2)', 'column 3'])
  })
})
