import { expect, test } from 'vitest'
import { billingMonth } from '../calendar/billingMonth.ts'
import type { YearMonth } from '../calendar/yearMonth.ts'
import { toDecimal } from '../quantity/decimal.ts'
import { gib } from '../quantity/units.ts'
import { OFFICE_WEEK, resolved } from '../testing/resolved.ts'
import { SMALL_BOOK, SMALL_MACHINE } from '../testing/smallBook.ts'
import { leftBehind } from './leftBehind.ts'

const MARCH = billingMonth('2027-03' as YearMonth, 'Etc/UTC', 'calendar')
const left = (...asked: Parameters<typeof resolved>) => leftBehind(resolved(...asked), MARCH)

test('disks that stay and a fixed address go on being charged, all month', () => {
  const found = left({ address: 'fixed' })!
  expect([...found.parts].sort()).toEqual(['address', 'disks'])
  // 9.86 for the disk's step, and 744 hours of an address that nothing holds at 0.0072.
  expect(toDecimal(found.perMonth, 4)).toBe('15.2168')
})

test('what goes with the machine is not left behind', () => {
  const systemDisk = { ...SMALL_MACHINE.systemDisk, goes: true }
  expect(left({ systemDisk })).toBeUndefined()
  const found = left({ systemDisk, dataDisks: [{ kind: 'steps', roomGiB: gib(64) }] })!
  expect([found.parts, toDecimal(found.perMonth, 2)]).toEqual([['disks'], '5.05'])
  expect(left({ systemDisk, address: 'fixed', addressGoes: true })).toBeUndefined()
})

test('a provider that sells deletion as a state charges what that state says', () => {
  const deleted = { ...SMALL_BOOK.states.deallocated!, disks: false, address: 'unattached' as const }
  const book = { ...SMALL_BOOK, states: { ...SMALL_BOOK.states, deleted } }
  expect(left({}, OFFICE_WEEK, book)?.parts).toEqual(left({})?.parts)
})
