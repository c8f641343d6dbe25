import { expect, test } from 'vitest'
import { gib } from '../quantity/units.ts'
import { cellBecame } from './cellBecame.ts'
import type { ListEntry } from './listEntry.ts'
import type { ListField } from './listMapping.ts'

const machine: ListEntry = {
  is: 'size-price',
  size: 'Oak',
  facts: { vcpu: 4, memoryGiB: gib(0.5) },
  place: 'Leeds',
  system: '',
  term: '',
  price: '0.0534',
  period: 'hour',
  since: '2027-03-01',
  from: { row: 2, column: 'Price', text: '5.34' },
}
const disk: ListEntry = {
  is: 'disk-price',
  disk: 'Slate',
  place: 'Leeds',
  price: '0.05',
  fromGiB: 1024,
  from: { row: 3, column: 'Price', text: '50' },
}

test.each<[ListEntry, ListField[], string, string | undefined]>([
  [machine, ['price'], '5.34', '0.0534 an hour'],
  [machine, ['price'], '0.05340', undefined],
  [machine, ['memory'], '512 MiB', '0.5 GiB'],
  [machine, ['memory'], '0.5', undefined],
  [machine, ['vcpu', 'memory'], '4 x 512', '4 vCPU, 0.5 GiB'],
  [machine, ['vcpu'], '4', undefined],
  [machine, ['validFrom'], '1.3.27', '2027-03-01'],
  [machine, ['size'], 'Oak', undefined],
  [disk, ['price'], '50', '0.05 a GiB and month'],
  [disk, ['bandFrom'], '1 TiB', '1024 GiB'],
  [{ ...disk, wholeGiB: gib(100) }, ['room'], '100', undefined],
  [{ ...disk, wholeGiB: gib(100) }, ['price'], '5', '0.05 a month'],
  [{ is: 'traffic-price', place: '', price: '0.09', from: disk.from }, ['price'], '90', '0.09 a GiB'],
])('%j with %j under %s became %s', (entry, roles, cell, became) => {
  expect(cellBecame([entry], 'Price', roles, cell)).toBe(became)
})

test('of several columns of prices each shows its own', () => {
  const other = { ...machine, price: '0.08', from: { ...machine.from, column: 'Porto' } }
  expect(cellBecame([machine, other], 'Porto', ['price'], '80')).toBe('0.08 an hour')
  expect(cellBecame([machine], 'Porto', ['price'], '-')).toBeUndefined()
})
