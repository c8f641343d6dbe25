import fc from 'fast-check'
import { describe, expect, test } from 'vitest'
import type { Notch } from './plate.ts'
import { platesOf } from './plates.ts'
import { plateInputs } from '../testing/plateInputs.ts'
import { SMALL_BOOK } from '../testing/smallBook.ts'
import { viewRows, type ListColumn, type ListView } from './listColumn.ts'
import { missingInPlace, perUnit, resolvedWith } from './choiceFigures.ts'

const inputs = plateInputs({}, [SMALL_BOOK])
const notches = platesOf(inputs).find(({ id }) => id === 'size')!.notches
const COLUMNS: ListColumn[] = [
  { id: 'name', kind: 'text', valueOf: ({ key }) => key },
  { id: 'month', kind: 'money', valueOf: ({ total }) => total },
  { id: 'vcpu', kind: 'number', valueOf: (notch) => resolvedWith(inputs, notch).size.vcpu },
]
const VIEW: ListView = { sort: 'month', descending: false, ranges: [], showsClosed: true }
const keys = (view: Partial<ListView>): string[] =>
  viewRows(notches, COLUMNS, { ...VIEW, ...view }).map(({ key }) => key)

describe('rows of a list', () => {
  test('are sorted by money, figures and words, either way', () => {
    expect(keys({})).toEqual(['small', 'arm', 'rare', 'middle', 'huge'])
    expect(keys({ descending: true })).toEqual(['huge', 'middle', 'rare', 'arm', 'small'])
    expect(keys({ sort: 'name' })).toEqual(['arm', 'huge', 'middle', 'rare', 'small'])
    expect(keys({ sort: 'vcpu' })[0]).toBe('small')
  })

  test('without a value come last, whichever way', () => {
    const unpriced: Notch = { ...notches[0]!, key: 'unpriced', total: undefined }
    for (const descending of [false, true]) {
      const rows = viewRows([unpriced, ...notches], COLUMNS, { ...VIEW, descending })
      expect(rows.at(-1)?.key).toBe('unpriced')
    }
  })

  test('are kept by range, by words, and by whether they fit; the present one always shows', () => {
    expect(keys({ ranges: [{ column: 'vcpu', least: 4, most: 8 }] })).toEqual(['arm', 'rare', 'middle'])
    expect(keys({ ranges: [{ column: 'vcpu' }] })).toHaveLength(5)
    expect(keys({ showsClosed: false })).toEqual(['small', 'middle', 'huge'])
    expect(keys({ passes: ({ key }) => key.includes('m') })).toEqual(['small', 'arm', 'middle'])
  })

  test('are the same rows in any order: none is lost or doubled', () => {
    fc.assert(
      fc.property(fc.constantFrom('name', 'month', 'vcpu'), fc.boolean(), (sort, descending) => {
        expect([...keys({ sort, descending })].sort()).toEqual(notches.map(({ key }) => key).sort())
      }),
    )
  })
})

test('a place says what it lacks of what its provider sells', () => {
  const { index } = inputs.resolved
  const west = missingInPlace(index.regions.get('west')!, 'a', index.book)
  expect(west).toEqual({ sizes: 3, diskKinds: ['Gibs', 'Data only'], addresses: ['fixed'] })
  expect(missingInPlace(index.regions.get('east')!, 'a', index.book).sizes).toBe(1)
})

test('a price per unit is the month over what there is of it', () => {
  expect(perUnit({ n: 10n, d: 1n }, 4)).toEqual({ n: 5n, d: 2n })
  expect(perUnit({ n: 10n, d: 1n }, 0)).toBeUndefined()
  expect(perUnit(undefined, 4)).toBeUndefined()
})
