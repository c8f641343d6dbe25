import { describe, expect, test } from 'vitest'
import type { AccountFacts } from '../catalogue/account.ts'
import type { PriceBook } from '../catalogue/priceBook.ts'
import { fitReasons } from '../fit/fitReasons.ts'
import { PlanPricing } from '../meter/planPricing.ts'
import { toNumber } from '../quantity/exact.ts'
import { gib } from '../quantity/units.ts'
import { resolved } from '../testing/resolved.ts'
import { SMALL_BOOK, SMALL_MACHINE } from '../testing/smallBook.ts'
import { EVERY_DAY, weekOf, windowsOn } from '../testing/weeks.ts'
import { consideredBooks, providersUsed } from './consideredBooks.ts'
import type { Machine, Plan } from './plan.ts'

const ALL_WEEK = weekOf('Etc/UTC', windowsOn(EVERY_DAY, '00:00-24:00'))
const bookOf = (id: string): PriceBook => ({ ...SMALL_BOOK, provider: { id, name: id } })
const BOOKS = ['mill', 'quay', 'loft'].map(bookOf)
const ids = (books: readonly PriceBook[]) => books.map(({ provider }) => provider.id)
const machines = [SMALL_MACHINE]

describe('the books that a plan considers', () => {
  test('are those of the providers that it names, and of those on which its machines stand', () => {
    expect(ids(consideredBooks({ machines, providers: [{ id: 'loft' }] }, BOOKS))).toEqual(['mill', 'loft'])
    expect(ids(consideredBooks({ machines: [], providers: [] }, BOOKS))).toEqual([])
  })

  test('are all where it names none', () => {
    expect(consideredBooks({ machines }, BOOKS)).toBe(BOOKS)
  })

  test('count forms that were kept of a machine', () => {
    const { name, ...form } = SMALL_MACHINE
    const kept = {
      ...SMALL_MACHINE,
      variants: [{ number: 1, name: 'other', form: { ...form, provider: 'quay' } }],
    }
    expect(providersUsed({ machines: [kept] })).toEqual(['mill', 'quay'])
  })

  test('are the same array and the same books as long as they hold the same', () => {
    const providers = [{ id: 'mill', account: { quotas: { vcpu: 8 } } }]
    const first = consideredBooks({ machines, providers }, BOOKS)
    const again = consideredBooks({ machines: [...machines], providers: structuredClone(providers) }, BOOKS)
    expect(again).toBe(first)
    expect(consideredBooks({ machines, providers: [{ id: 'mill' }] }, BOOKS)).not.toBe(first)
  })

  test('are no place to move to where they are not considered', () => {
    const plan: Plan = { name: 'p', month: '2027-03' as Plan['month'], weeks: [ALL_WEEK], machines }
    const names = (providers: Plan['providers']) => {
      const inputs = { plan: { ...plan, ...(providers && { providers }) }, books: BOOKS, month: plan.month }
      const pricing = new PlanPricing({ ...inputs, reading: 'calendar' })
      return pricing.elsewhere(resolved().index).map(({ index }) => index.book.provider.id)
    }
    expect(names(undefined)).toEqual(['quay', 'loft'])
    expect(names([{ id: 'quay' }])).toEqual(['quay'])
  })
})

describe('what an account may do', () => {
  const reasonsOf = (account: AccountFacts, part: Partial<Machine> = {}) => {
    const [book] = consideredBooks({ machines, providers: [{ id: 'mill', account }] }, [SMALL_BOOK])
    return fitReasons(resolved({ size: 'middle', ...part }, undefined, book!))
  }

  test('closes families and sizes that it may not have, with its reason', () => {
    const closed = { code: 'not-for-account', size: 'middle', provider: 'Mill' }
    expect(reasonsOf({ families: ['other'] })).toEqual([closed])
    expect(reasonsOf({ sizes: ['small'] })).toEqual([closed])
    expect(reasonsOf({ families: ['other'], sizes: ['middle'] })).toEqual([])
    expect(reasonsOf({ families: ['plain'] })).toEqual([])
  })

  test.each([
    [{ vcpu: 3 }, 3],
    [{ vcpu: 4 }, undefined],
    [{ vcpu: 9, vcpuByRegion: { east: 2 } }, 2],
    [{ vcpuByFamily: { plain: 1 } }, 1],
    [{ vcpuByRegion: { west: 1 }, vcpuByFamily: { other: 1 } }, undefined],
  ])('closes sizes that are more than %j by themselves', (quotas, most) => {
    const expected = most === undefined ? [] : [{ code: 'over-account', has: 4, most, provider: 'Mill' }]
    expect(reasonsOf({ quotas })).toEqual(expected)
  })

  test('goes before the quotas of the book, one by one', () => {
    const book: PriceBook = {
      ...SMALL_BOOK,
      quotas: { vcpu: 24, machines: 8, vcpuByRegion: { east: 10, west: 6 } },
    }
    const account = { quotas: { vcpu: 12, vcpuByRegion: { east: 4 } } }
    const [own] = consideredBooks({ machines, providers: [{ id: 'mill', account }] }, [book])
    expect(own!.quotas).toEqual({ vcpu: 12, machines: 8, vcpuByRegion: { east: 4, west: 6 } })
  })

  test('takes what others use off an allowance: of 600 free hours 500 leave 100, and 644 of 744 h are paid', () => {
    const book: PriceBook = {
      ...SMALL_BOOK,
      freeAllowances: [{ id: 'start', hoursPerMonth: 600, eligible: ['small'], until: '2027-12-31' }],
    }
    const machine: Machine = {
      ...SMALL_MACHINE,
      size: 'small',
      off: 'running',
      needs: { vcpu: 0, memoryGiB: gib(0), iops: 0 },
    }
    const computeOf = (account?: AccountFacts): number => {
      const plan: Plan = {
        name: 'p',
        month: '2027-03' as Plan['month'],
        weeks: [{ ...ALL_WEEK, id: machine.week }],
        machines: [machine],
        providers: [{ id: 'mill', ...(account && { account }) }],
      }
      const priced = new PlanPricing({ plan, books: [book], month: plan.month, reading: 'calendar' }).of(
        machine,
      )
      if (!priced.ok) throw new Error(JSON.stringify(priced.issues))
      const compute = priced.estimate.charges.filter(({ meter }) => meter === 'compute')
      return compute.reduce((sum, { amount }) => sum + toNumber(amount), 0)
    }
    // 0.1034 an hour.
    expect(computeOf()).toBeCloseTo(144 * 0.1034, 9)
    expect(computeOf({ used: [{ allowance: 'start', hoursPerMonth: 500 }] })).toBeCloseTo(644 * 0.1034, 9)
    expect(computeOf({ used: [{ allowance: 'start', hoursPerMonth: 900 }] })).toBeCloseTo(744 * 0.1034, 9)
  })
})
