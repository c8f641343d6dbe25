import { expect, test } from 'vitest'
import { billLine } from '../testing/billLine.ts'
import { linesBeside } from './linesBeside.ts'

const planned = [
  billLine({ resourceName: 'replay', day: '2027-03-02', meter: 'compute' }),
  billLine({ resourceName: 'replay', day: '2027-03-01', service: 'storage', meter: 'disk' }),
  billLine({ resourceName: 'replay', day: '2027-03-01', meter: 'compute' }),
  billLine({ resourceName: 'other', day: '2027-03-01', meter: 'compute' }),
]
const billed = [
  billLine({
    resourceId: 'disk/replay',
    resourceName: '',
    service: 'storage',
    meter: 'disk',
    day: '2027-03-01',
  }),
  billLine({ resourceName: 'REPLAY', day: '2027-03-01', meter: 'compute' }),
  billLine({
    resourceId: 'disk/lost',
    resourceName: '',
    service: 'storage',
    meter: 'disk',
    day: '2027-03-04',
  }),
  billLine({ resourceName: 'replay', day: '2027-03-01', category: 'tax', service: undefined, meter: '' }),
]

const said = (of: string, ties?: ReadonlyMap<string, string>) =>
  linesBeside({ planned, billed, ...(ties && { ties }) }, of).map(
    ({ day, category, meter, ...sides }) =>
      `${day} ${category} ${meter ?? '-'}: ${sides.planned.length} planned, ${sides.billed.length} billed`,
  )

test('lines of a machine stand side by side by day and meter, whoever names it how', () => {
  expect(said('replay')).toEqual([
    '2027-03-01 usage machine-time: 1 planned, 1 billed',
    '2027-03-01 usage disk: 1 planned, 1 billed',
    '2027-03-01 tax -: 0 planned, 1 billed',
    '2027-03-02 usage machine-time: 1 planned, 0 billed',
  ])
})

test('what is on the bill alone is found by its name, until it is tied', () => {
  expect(said('disk/lost')).toEqual(['2027-03-04 usage disk: 0 planned, 1 billed'])
  const ties = new Map([['disk/lost', 'replay']])
  expect(said('disk/lost', ties)).toEqual([])
  expect(said('replay', ties)).toContain('2027-03-04 usage disk: 0 planned, 1 billed')
  expect(said('nobody')).toEqual([])
})
