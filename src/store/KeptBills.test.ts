import 'fake-indexeddb/auto'
import { unzipSync } from 'fflate'
import { expect, test } from 'vitest'
import type { YearMonth } from '../core/calendar/yearMonth.ts'
import type { BillHead } from '../files/bill/keptBill.ts'
import { billsOf, type BillOfPlan } from './KeptBills.ts'
import { rawRecords } from './lastResort.ts'
import { openSession } from './testing/openSession.ts'

const HEAD: BillHead = { files: [], rows: 3, used: 2, leftOut: [], troubles: [] }

const bill = (month: string, name = 'bill.csv', part: Partial<BillOfPlan> = {}): BillOfPlan => ({
  month: month as YearMonth,
  name,
  kind: 'billed',
  keptAt: 1,
  bytes: new Uint8Array([31, 139]),
  head: HEAD,
  ...part,
})

async function opened(name: string) {
  const { session, db } = await openSession(name)
  const bills = billsOf(session)
  const told = (plan: string): Promise<readonly BillOfPlan[]> =>
    new Promise((resolve, reject) => {
      const following = bills.follow(
        plan,
        (found) => {
          resolve(found)
          setTimeout(() => following.unsubscribe())
        },
        reject,
      )
    })
  return { bills, db, told }
}

test('a plan keeps one bill a month, the newest first, and other plans have their own', async () => {
  const { bills, told } = await opened('kept-bills')
  await bills.keep('a', [bill('2027-03'), bill('2027-04')])
  await bills.keep('b', [bill('2027-03', 'of b')])
  await bills.keep('a', [bill('2027-03', 'again')])
  expect((await told('a')).map(({ month, name }) => `${month} ${name}`)).toEqual([
    '2027-04 bill.csv',
    '2027-03 again',
  ])
  await bills.forget('a', bill('2027-04'))
  expect((await told('a')).map(({ month }) => month)).toEqual(['2027-03'])
  expect((await told('b')).map(({ name }) => name)).toEqual(['of b'])
})

test('a rehearsal stands beside the bill of its month, and never in its place; the newest is first', async () => {
  const { bills, told } = await opened('rehearsed-beside')
  await bills.keep('a', [bill('2027-03')])
  await bills.keep('a', [bill('2027-03', 'rehearsal 1', { kind: 'rehearsed', keptAt: 2 })])
  expect((await told('a')).map(({ name }) => name)).toEqual(['rehearsal 1', 'bill.csv'])
  await bills.forget('a', bill('2027-03', '', { kind: 'rehearsed' }))
  expect((await told('a')).map(({ name }) => name)).toEqual(['bill.csv'])
})

test('what a person said of a resource is remembered for the plan, until it is taken back', async () => {
  const { bills } = await opened('ties')
  const seen: string[][] = []
  const following = bills.followTies(
    'a',
    (ties) => seen.push([...ties].map(([resource, machine]) => `${resource} ${machine}`)),
    () => undefined,
  )
  await bills.tie('a', 'i-1', 'replay')
  await bills.tie('a', 'i-2', null)
  await bills.tie('b', 'i-1', 'kiosk')
  await bills.tie('a', 'i-1', undefined)
  await expect.poll(() => seen.at(-1)).toEqual(['i-2 null'])
  following.unsubscribe()
})

test('no more than ten years are kept, and what is no bill is not shown', async () => {
  const { bills, db, told } = await opened('many-bills')
  const months = Array.from(
    { length: 130 },
    (_, i) => `${2_010 + Math.floor(i / 12)}-${String((i % 12) + 1).padStart(2, '0')}`,
  )
  await bills.keep(
    'a',
    months.map((month) => bill(month)),
  )
  const kept = await told('a')
  expect([kept.length, kept.at(-1)!.month]).toEqual([120, '2010-11'])
  await db.monthBills.put({ ...bill('2027-03'), plan: 'c', head: { rows: 'many' } })
  await db.monthBills.put({ ...bill('2027-04'), plan: 'c', bytes: 'text' as never })
  expect(await told('c')).toEqual([])
})

test('what is saved as it lies holds the bill as a file that can be opened', async () => {
  const { bills, db } = await opened('bills-as-they-lie')
  await bills.keep('a', [bill('2027-03')])
  const files = unzipSync(await rawRecords(db))
  const [name] = Object.keys(files).filter(
    (each) => each.startsWith('monthBills/') && each.endsWith('.csv.gz'),
  )
  expect([...files[name!]!]).toEqual([31, 139])
})
