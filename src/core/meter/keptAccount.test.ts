import { expect, test } from 'vitest'
import { billingMonth } from '../calendar/billingMonth.ts'
import type { YearMonth } from '../calendar/yearMonth.ts'
import { indexBook } from '../catalogue/bookIndex.ts'
import { keptAccount } from './keptAccount.ts'
import { gib } from '../quantity/units.ts'
import { plateInputs } from '../testing/plateInputs.ts'
import { SMALL_BOOK, SMALL_MACHINE } from '../testing/smallBook.ts'

const disks = { systemDisk: SMALL_MACHINE.systemDisk, dataDisks: SMALL_MACHINE.dataDisks }
const account = (part: Parameters<typeof plateInputs>[0], book = SMALL_BOOK) =>
  plateInputs({ ...disks, ...part }, [book]).shared

const withFreeHours = {
  ...SMALL_BOOK,
  freeAllowances: [{ id: 'trial', until: '2027-12-31', hoursPerMonth: 100, eligible: ['small'] }],
}

test('an edit that changes nothing that machines share leaves the account as it was', () => {
  const before = account({ size: 'middle' })
  expect(account({ size: 'small' })).toBe(before)
  expect(account({ size: 'small', address: 'fixed' })).toBe(before)
})

test('another month is another account, even where no machine shares anything', () => {
  const [march, april] = ['2027-03', '2027-04'].map((month) => billingMonth(month as YearMonth, 'Etc/UTC'))
  const of = (month: typeof march) => keptAccount(indexBook(withFreeHours), [], new Map([['one', 0]]), month!)
  expect(of(march)).toBe(of(march))
  expect(of(april)).not.toBe(of(march))
})

test('a machine more is another account, even one that shares nothing and stands last: it has its place in the order', () => {
  const index = indexBook(withFreeHours)
  const month = billingMonth('2027-03' as YearMonth, 'Etc/UTC')
  const one = keptAccount(index, [], new Map([['one', 0]]), month)
  const orders = new Map([
    ['one', 0],
    ['two', 1],
  ])
  expect(keptAccount(index, [], orders, month).orders).toBe(orders)
  expect(keptAccount(index, [], new Map([['one', 0]]), month)).toBe(one)
})

test('disks, a name and free hours make another account', () => {
  const before = account({ size: 'small' }, withFreeHours)
  const disk = { kind: 'gib', roomGiB: gib(50) }
  expect(account({ size: 'small', address: 'fixed' }, withFreeHours)).toBe(before)
  expect(account({ size: 'middle' }, withFreeHours)).not.toBe(before)
  expect(account({ size: 'small', name: 'other' }, withFreeHours)).not.toBe(before)
  expect(account({ size: 'small', dataDisks: [disk] }, withFreeHours)).not.toBe(before)
})
