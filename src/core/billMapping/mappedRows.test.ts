import { expect, test } from 'vitest'
import type { BillMapping } from './billMapping.ts'
import { MAPPED_COLUMNS, mappedRows, plainFigure } from './mappedRows.ts'

const HEADINGS = ['Tag', 'Ressource', 'Leistung', 'Menge', 'Einheit', 'Preis', 'Betrag', 'Team']
const column = (name: string) => ({ from: 'column', column: name }) as const
const MAPPING: BillMapping = {
  provider: 'Own',
  fields: {
    start: column('Tag'),
    resource: column('Ressource'),
    kind: column('Leistung'),
    quantity: column('Menge'),
    unit: column('Einheit'),
    unitPrice: column('Preis'),
    cost: column('Betrag'),
    currency: { from: 'constant', text: 'EUR' },
  },
  kinds: [
    { text: 'Rechner', is: 'machine-time' },
    { text: 'USt', is: 'tax' },
  ],
  units: [{ text: 'Std', is: 'Hours' }],
  dates: 'day-first',
  decimalMark: ',',
  tags: ['Team'],
}

const read = mappedRows(MAPPING, HEADINGS, 'Europe/Berlin')
const row = (cells: readonly string[]) =>
  Object.fromEntries(MAPPED_COLUMNS.map((name, i) => [name, read(cells)[i] ?? '']))

test('a row says in FOCUS what it says in its own words', () => {
  expect(row(['2.3.2027', 'web-1', 'Rechner', '10,5', 'Std', '0,2067', '€ 2,17035', 'karten'])).toMatchObject(
    {
      BillingPeriodStart: '2027-03-01T00:00:00Z',
      ChargePeriodStart: '2027-03-01T23:00:00Z',
      ChargePeriodEnd: '2027-03-02T23:00:00Z',
      BilledCost: '2.17035',
      EffectiveCost: '2.17035',
      BillingCurrency: 'EUR',
      ListUnitPrice: '0.2067',
      ConsumedQuantity: '10.5',
      ConsumedUnit: 'Hours',
      ChargeCategory: 'Usage',
      ServiceCategory: 'Compute',
      ResourceId: 'web-1',
      ResourceName: 'web-1',
      ProviderName: 'Own',
      Tags: '{"Team":"karten"}',
    },
  )
  expect(row(['31.3.2027', '', 'USt', '', '', '', '19,00', ''])).toMatchObject({
    ChargeCategory: 'Tax',
    BilledCost: '19.00',
    ConsumedUnit: '',
  })
})

test('a kind that nobody named is another service; what cannot be read stays as it is written', () => {
  expect(row(['heute', 'db', 'Datenbank', 'viel', 'Std', '', 'drei', ''])).toMatchObject({
    ServiceCategory: 'Other',
    ServiceName: 'Datenbank',
    ChargePeriodStart: 'heute',
    BilledCost: 'drei',
    PricingQuantity: 'viel',
    ConsumedQuantity: '',
  })
  expect(read(['2.3.2027', 'web-1']).length).toBe(2)
  expect(read([''])).toEqual([''])
})

test.each([
  ['1.234,56', ',', '1234.56'],
  ['1,234.56', '.', '1234.56'],
  ['-0,5', ',', '-0.5'],
  ['(12.00)', '.', '-12.00'],
  ['$ 3.10-', '.', '-3.10'],
  ['1e-7', '.', '1e-7'],
  // Read in the only way that there is, whatever mark was chosen.
  ['0,040', '.', '0.040'],
  ['1,5', '.', '1.5'],
  ['-0.040', ',', '-0.040'],
  ['1.234', ',', '1234'],
  ['1.234', '.', '1.234'],
  ['€ 12,50 EUR', ',', '12.50'],
  ['1 234,50', ',', '1234.50'],
  ['1.2 and 3.4', '.', '1.2 and 3.4'],
  ['0.1234567890123456789012345', '.', '0.1234567890123456789012345'],
  ['n/a', '.', 'n/a'],
  ['', '.', ''],
] as const)('%s with %s is %s', (text, mark, expected) => {
  expect(plainFigure(text, mark)).toBe(expected)
})
