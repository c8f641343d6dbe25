import Papa from 'papaparse'
import { expect, test } from 'vitest'
import { planLedger } from '../core/ledger/planLedger.ts'
import type { YearMonth } from '../core/calendar/yearMonth.ts'
import { OFFICE_WEEK } from '../core/testing/resolved.ts'
import { SMALL_BOOK, SMALL_MACHINE } from '../core/testing/smallBook.ts'
import { writeLedgerCsv } from './ledgerCsv.ts'

const MARCH = '2027-03' as YearMonth

function csvOf(name: string): Record<string, string>[] {
  const { ledger } = planLedger({
    plan: { machines: [{ ...SMALL_MACHINE, name }], weeks: [OFFICE_WEEK] },
    books: [SMALL_BOOK],
    month: MARCH,
    reading: 'calendar',
    decimals: 2,
  })
  const text = writeLedgerCsv(ledger, ledger.byTime, 'calendar', ({ meter }) => ({ what: meter, rule: '' }))
  return Papa.parse<Record<string, string>>(text, { header: true, skipEmptyLines: true }).data
}

test('a ledger as CSV adds up to the machine’s total as it is shown', () => {
  const rows = csvOf('bench-one')
  const cents = rows.reduce((sum, { amount }) => sum + Math.round(Number(amount) * 100), 0)
  // 47.5806175 + 9.86
  expect(cents).toBe(5_744)
  expect(rows[0]).toMatchObject({
    machine: 'bench-one',
    'month read as': 'calendar',
    'from (UTC)': '2027-03-01T00:00:00Z',
    'to (UTC)': '2027-03-01T08:00:00Z',
    state: 'deallocated',
    meter: 'disk',
    rate: '9.86',
    'rate at': '/prices/east/disks/steps/perMonthByStep/128',
    currency: 'EUR',
  })
  expect(rows.filter(({ meter }) => meter === 'compute')).toHaveLength(23)
})

test.each(['=1+1', '+1', '-1+1', '@sum', '\tx'])('%j is no formula to a spreadsheet', (name) => {
  expect(csvOf(name)[0]!.machine).toBe(`'${name}`)
})

test('quotes, commas and line breaks stay inside their cell', () => {
  expect(csvOf('a "b", c')[0]!.machine).toBe('a "b", c')
})
