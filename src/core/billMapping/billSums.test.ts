import { expect, test } from 'vitest'
import { billCellBecame } from './billCellBecame.ts'
import type { BillMapping } from './billMapping.ts'
import { billSums } from './billSums.ts'
import { mappedRows } from './mappedRows.ts'

const HEADINGS = ['Tag', 'Objekt', 'Leistung', 'Menge', 'Einheit', 'Betrag']
const column = (name: string) => ({ from: 'column', column: name }) as const
const MAPPING: BillMapping = {
  provider: 'Alder',
  fields: {
    start: column('Tag'),
    resource: column('Objekt'),
    kind: column('Leistung'),
    quantity: column('Menge'),
    unit: column('Einheit'),
    cost: column('Betrag'),
    currency: { from: 'constant', text: 'EUR' },
  },
  kinds: [
    { text: 'Rechner', is: 'machine-time' },
    { text: 'MwSt', is: 'tax' },
    { text: 'Gutschrift', is: 'credit' },
  ],
  units: [{ text: 'Std', is: 'Hours' }],
  dates: 'day-first',
  decimalMark: ',',
  tags: [],
}
const ROWS = [
  ['1.3.2027', 'web', 'Rechner', '10', 'Std', '1.234,50'],
  ['31.2.2027', 'web', 'Rechner', '1', 'Std', 'frei'],
  ['1.3.2027', '', 'MwSt', '', '', '0,1'],
  ['1.3.2027', '', 'Gutschrift', '', '', '(0,05)'],
  ['1.3.2027', '', 'Beratung', '', '', '9'],
]
const read = mappedRows(MAPPING, HEADINGS, 'Europe/Berlin')

test('cells that became something else say what, those that could not be read say why', () => {
  const [first, second] = ROWS.map(read)
  expect(billCellBecame('cost', '1.234,50', first!)).toEqual({ became: '1234.50' })
  expect(billCellBecame('start', '1.3.2027', first!)).toEqual({ became: '2027-02-28 23:00' })
  expect(billCellBecame('unit', 'Std', first!)).toEqual({ became: 'Hours' })
  expect(billCellBecame('quantity', '10', first!)).toEqual({})
  expect(billCellBecame('resource', 'web', first!)).toEqual({})
  expect(billCellBecame('cost', 'frei', second!)).toEqual({ fault: 'no-number' })
  expect(billCellBecame('start', '31.2.2027', second!)).toEqual({ fault: 'no-date' })
  expect(billCellBecame('cost', '', second!)).toEqual({})
})

test('amounts that no money has are told, and cost nothing', () => {
  const of = (text: string) =>
    billSums([read(['1.3.2027', 'web', 'Rechner', '', '', text])], ['machine-time'])
  expect(of('1e999')).toMatchObject({ all: '0', unread: 1 })
  expect(of('9'.repeat(40))).toMatchObject({ all: '0', unread: 1 })
  expect(of('2.5e-5')).toMatchObject({ all: '0.000025', unread: 0 })
  expect(billCellBecame('cost', '1e999', read(['1.3.2027', 'web', 'Rechner', '', '', '1e999']))).toEqual({
    fault: 'no-number',
  })
})

test('the money column adds up to what its kinds of rows do, to the last digit', () => {
  const uses = ['machine-time', 'machine-time', 'tax', 'credit', 'left-out'] as const
  expect(billSums(ROWS.map(read), uses)).toEqual({
    all: '1243.55',
    machines: '1234.5',
    taxes: '0.1',
    credits: '-0.05',
    leftOut: '9',
    unread: 1,
  })
})
