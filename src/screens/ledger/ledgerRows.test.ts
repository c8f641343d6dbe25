import { describe, expect, test } from 'vitest'
import type { YearMonth } from '../../core/calendar/yearMonth.ts'
import { FOLDS } from '../../core/ledger/fold.ts'
import { foldLedger } from '../../core/ledger/foldLedger.ts'
import { ledgerRow } from '../../core/ledger/ledger.ts'
import { planLedger, type PlanLedgerInputs } from '../../core/ledger/planLedger.ts'
import { instant } from '../../core/quantity/units.ts'
import { DEMO_BOOKS } from '../../core/testing/demoBooks.ts'
import { OFFICE_WEEK } from '../../core/testing/resolved.ts'
import { SMALL_BOOK, SMALL_MACHINE } from '../../core/testing/smallBook.ts'
import { groupTitle } from './groupTitle.ts'
import { ledgerItems } from './ledgerItems.ts'
import { ledgerZone } from './ledgerZone.ts'
import { rowQuantity, rowTimes } from './rowText.ts'
import { sumText } from './sumText.ts'

const inputs: PlanLedgerInputs = {
  plan: {
    machines: [SMALL_MACHINE, { ...SMALL_MACHINE, name: 'two', off: 'running' }],
    weeks: [OFFICE_WEEK],
  },
  books: [SMALL_BOOK, ...DEMO_BOOKS],
  month: '2027-03' as YearMonth,
  reading: 'calendar',
  byDaysOf: 'Europe/Lisbon',
  decimals: 2,
}
const laid = planLedger(inputs)
const { ledger, days } = laid
const at = (text: string) => instant(Date.parse(text) / 1_000)

describe('rows on the screen', () => {
  test.each(FOLDS)('in order %s each row stands once, under its head where there are heads', (fold) => {
    const own = fold === 'part' ? planLedger({ ...inputs, byPart: true }) : laid
    const { byTime } = own.ledger
    const groups = foldLedger(own.ledger, byTime, fold, days)
    const open = ledgerItems(own, byTime, fold, () => true)
    const items = Array.from({ length: open.count }, (_, i) => open.at(i))
    const rows = items.flatMap(({ row }) => (row === undefined ? [] : [row]))
    expect([...rows].sort((a, b) => a - b)).toEqual([...byTime].sort((a, b) => a - b))
    const heads = fold === 'time' ? 0 : groups.length
    expect(items.length - rows.length).toBe(heads)
    const closed = ledgerItems(own, byTime, fold, () => false)
    expect(closed.count).toBe(fold === 'time' ? rows.length : heads)
  })

  test('groups are called by what they are', () => {
    const titles = (fold: (typeof FOLDS)[number]) =>
      foldLedger(ledger, ledger.byTime, fold, days).map((group) => groupTitle(group, fold, laid))
    expect(titles('machine')).toEqual(['bench-one', 'two'])
    expect(titles('meter')).toEqual(['Machine time', 'Disks'])
    expect(titles('day')[0]).toBe('Monday, 1 March')
    expect(titles('day').at(-1)).toBe('Thursday, 1 April')
  })

  test.each([
    ['2027-03-19T08:00Z', '2027-03-19T18:00Z', '19 Mar 08:00–18:00'],
    ['2027-03-19T18:00Z', '2027-03-20T00:00Z', '19 Mar 18:00–24:00'],
    ['2027-03-27T22:00Z', '2027-03-28T05:00Z', '27 Mar 22:00 – 28 Mar 06:00'],
  ])('from %s to %s reads %s in Lisbon', (from, to, text) => {
    expect(rowTimes({ span: { from: at(from), to: at(to) } }, 'Europe/Lisbon')).toBe(text)
  })

  test('a quantity is told in what its rate is for', () => {
    expect(rowQuantity(ledgerRow(ledger, ledger.byTime[0]!))).toMatch(/^[\d.]+ h$/)
  })

  test('sums of two currencies stand side by side, never as one', () => {
    const sums = new Map([
      ['EUR', 123_456],
      ['USD', 5],
    ])
    expect(sumText(sums, { decimals: 2 })).toBe('€ 1,234.56 and $ 0.05')
  })

  test('times are told in the machine’s zone, or in the one most machines are planned in', () => {
    const weeks = [
      { ...OFFICE_WEEK, id: 'a' },
      { ...OFFICE_WEEK, id: 'b', timeZone: 'Asia/Kolkata' },
    ]
    const machines = ['a', 'b', 'b'].map((week, i) => ({ ...SMALL_MACHINE, week, name: `m${i}` }))
    const plan = { name: '', month: '2027-03' as YearMonth, weeks, machines }
    expect(ledgerZone(plan, machines[0])).toBe('Europe/Lisbon')
    expect(ledgerZone(plan, undefined)).toBe('Asia/Kolkata')
  })
})
