import { expect, test } from 'vitest'
import { proposeBillMapping, unitOf, useOf } from './proposeBillMapping.ts'

test.each([
  ['h', 'Hours'],
  ['Std', 'Hours'],
  ['GiB per month', 'GiB-Months'],
  ['GB-mo', 'GB-Months'],
  ['GB', 'GB'],
  ['CPU hours', 'vCPU-Hours'],
  ['vCPU-Hours', 'vCPU-Hours'],
  ['IOPS-Months', 'IOPS-Months'],
  ['pieces', undefined],
  ['100 hours', '100 Hours'],
  ['1,000 Std', '1000 Hours'],
  ['1 hour', 'Hours'],
  ['10 GiB per month', '10 GiB-Months'],
])('the unit %s is %s', (text, unit) => {
  expect(unitOf(text)).toBe(unit)
})

test.each([
  ['Virtual machine, size 4', 'machine-time'],
  ['Licence of a machine', 'licence'],
  ['Block volume', 'disk'],
  ['Snapshots of volumes', 'snapshot'],
  ['Public IP address', 'address'],
  ['Traffic out', 'traffic'],
  ['VAT 23 %', 'tax'],
  ['Managed database', 'left-out'],
])('%s is %s', (text, use) => {
  expect(useOf(text)).toBe(use)
})

test('an English bill by the hour, with times, a currency column and tags', () => {
  const headings = [
    'from',
    'until',
    'resource id',
    'label',
    'service',
    'qty',
    'uom',
    'unit price',
    'total',
    'ccy',
    'site',
    'tag:team',
  ]
  const rows = [
    [
      '03/14/2027 01:00',
      '03/14/2027 02:00',
      'i-1',
      'web',
      'Compute',
      '1',
      'hour',
      '0.2067',
      '$0.2067',
      'USD',
      'Porto',
      'web',
    ],
    [
      '03/14/2027 02:00',
      '03/14/2027 03:00',
      'v-1',
      'web',
      'Volumes',
      '32',
      'GB-month',
      '0.08',
      '$0.0034',
      'USD',
      'Porto',
      'web',
    ],
  ]
  const { fields, dates, decimalMark, tags, kinds, units } = proposeBillMapping(
    { headings, rows },
    'Own',
  ).mapping
  expect(
    Object.fromEntries(
      Object.entries(fields).map(([field, source]) => [field, 'column' in source ? source.column : '']),
    ),
  ).toEqual({
    start: 'from',
    end: 'until',
    resource: 'resource id',
    name: 'label',
    kind: 'service',
    quantity: 'qty',
    unit: 'uom',
    unitPrice: 'unit price',
    cost: 'total',
    currency: 'ccy',
    region: 'site',
  })
  expect([dates, decimalMark, tags]).toEqual(['month-first', '.', ['tag:team']])
  expect(kinds).toEqual([
    { text: 'Compute', is: 'machine-time' },
    { text: 'Volumes', is: 'disk' },
  ])
  expect(units).toEqual([
    { text: 'hour', is: 'Hours' },
    { text: 'GB-month', is: 'GB-Months' },
  ])
})

test('dates that can be read both ways lie within a month; amounts that can be are a guess', () => {
  const headings = ['Date', 'Server', 'Service', 'Gross amount', 'Net amount']
  const rows = Array.from({ length: 12 }, (_, i) => [`3/${i + 1}/2027`, 'a', 'Machine', '2,468', '€ 1,234'])
  const { mapping, unsure } = proposeBillMapping({ headings, rows }, 'Own')
  expect(mapping).toMatchObject({
    dates: 'month-first',
    fields: { cost: { column: 'Net amount' }, currency: { from: 'constant', text: 'EUR' } },
  })
  expect(unsure).toEqual(['dates', 'decimalMark'])
  const sure = rows.map((row, i) => [`${i + 10}/3/2027`, ...row.slice(1, 4), '€ 1,50'])
  expect(proposeBillMapping({ headings, rows: sure }, 'Own')).toMatchObject({
    mapping: { dates: 'day-first', decimalMark: ',' },
    unsure: [],
  })
})
