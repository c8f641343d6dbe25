import { expect, test } from 'vitest'
import type { BillMapping } from './billMapping.ts'
import { withBillRole } from './withBillRole.ts'

const SAMPLE = { headings: ['what', 'how', 'sum'], rows: [['machine', 'hours', '1']] }
const column = (name: string) => ({ from: 'column', column: name }) as const
const MAPPING: BillMapping = {
  provider: 'Alder',
  fields: { kind: column('what'), cost: column('sum'), currency: { from: 'constant', text: 'EUR' } },
  kinds: [{ text: 'machine', is: 'machine-time' }],
  units: [],
  dates: 'day-first',
  decimalMark: '.',
  tags: ['how'],
}

test('a column is one thing alone', () => {
  const asQuantity = withBillRole(MAPPING, 'sum', 'quantity', SAMPLE)
  expect(asQuantity.fields).toEqual({
    kind: column('what'),
    currency: MAPPING.fields.currency,
    quantity: column('sum'),
  })
  const asCurrency = withBillRole(MAPPING, 'how', 'currency', SAMPLE)
  expect([asCurrency.fields.currency, asCurrency.tags]).toEqual([column('how'), []])
})

test('as a tag, or not used, it says nothing else', () => {
  const tag = withBillRole(MAPPING, 'sum', 'tag', SAMPLE)
  expect([tag.fields.cost, tag.tags]).toEqual([undefined, ['how', 'sum']])
  const unused = withBillRole(MAPPING, 'how', 'not used', SAMPLE)
  expect([unused.tags, unused.fields]).toEqual([[], MAPPING.fields])
})

test('what kinds of rows are is asked anew only where another column says it', () => {
  const said: BillMapping = { ...MAPPING, kinds: [{ text: 'machine', is: 'disk' }] }
  expect(withBillRole(said, 'sum', 'quantity', SAMPLE).kinds).toEqual(said.kinds)
  expect(withBillRole(said, 'how', 'kind', SAMPLE).kinds.map(({ text }) => text)).toEqual(['hours'])
})
