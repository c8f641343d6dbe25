import { valueOf } from '../testing/valueOf.ts'
import fc from 'fast-check'
import { describe, expect, test } from 'vitest'
import { billingMonth } from '../calendar/billingMonth.ts'
import { addMonths, type YearMonth } from '../calendar/yearMonth.ts'
import type { PriceBook } from '../catalogue/priceBook.ts'
import type { Machine } from '../machine/plan.ts'
import { toDecimal } from '../quantity/decimal.ts'
import { add, compare, ZERO } from '../quantity/exact.ts'
import { gib } from '../quantity/units.ts'
import { OFFICE_WEEK, resolved } from '../testing/resolved.ts'
import { SMALL_BOOK } from '../testing/smallBook.ts'
import { EVERY_DAY, weekOf, windowsOn } from '../testing/weeks.ts'
import { dailyCosts } from './dailyCosts.ts'
import { estimateMachine, type Estimate } from './estimateMachine.ts'
import { machineTotal } from './machineTotal.ts'
import { hourByState } from './hourByState.ts'
import { randomRuns } from '../testing/randomRuns.ts'

const MARCH = billingMonth('2027-03' as YearMonth, 'Etc/UTC')

function estimate(part: Partial<Machine> = {}, week = OFFICE_WEEK, book: PriceBook = SMALL_BOOK): Estimate {
  const result = valueOf(estimateMachine({ resolved: resolved(part, week, book), month: MARCH }))
  return result
}

const lines = ({ charges }: Estimate) =>
  charges.map(({ meter, amount }) => `${meter} ${toDecimal(amount, 6)}`)

describe('lines of a month, reckoned by hand', () => {
  test('deallocated: 230 h and 23 times 30 s to go off, and the whole disk', () => {
    // (230 × 3,600 + 23 × 30) s × 0.2067 ÷ 3,600 = 47.5806175
    expect(lines(estimate())).toEqual(['compute 47.580618', 'disk 9.860000'])
    expect(toDecimal(estimate().total, 7)).toBe('57.4406175')
  })

  test('stopped: the hardware is kept and charged in full', () => {
    expect(lines(estimate({ off: 'stopped' }))).toEqual(['compute 153.784800', 'disk 9.860000'])
  })

  test('hibernated: going off takes a second more for each GiB', () => {
    // (230 × 3,600 + 23 × 46) s × 0.2067 ÷ 3,600 = 47.60174683…
    expect(lines(estimate({ off: 'hibernated' }))[0]).toBe('compute 47.601747')
  })

  test('a licence is charged for its least vCPU, as long as compute is', () => {
    const { charges } = estimate({ image: 'sealed', size: 'small' })
    // 828,690 s × 0.023 × 4 ÷ 3,600 = 21.1776333…
    expect(charges.map(({ meter }) => meter)).toEqual(['compute', 'licence', 'disk'])
    expect([toDecimal(charges[1]!.units, 0), toDecimal(charges[1]!.amount, 6)]).toEqual(['4', '21.177633'])
  })

  test('an address has one rate while on and another while off', () => {
    // 828,690 s × 0.0036 + (2,678,400 − 828,690) s × 0.004, ÷ 3,600
    expect(lines(estimate({ address: 'fixed' })).slice(2)).toEqual(['address 0.828690', 'address 2.055233'])
  })

  test('room between steps is charged as the next step up; by the GiB as asked for', () => {
    const steps = estimate({ systemDisk: { kind: 'steps', roomGiB: gib(130) } })
    expect(lines(steps)[1]).toBe('disk 19.120000')
    const byGiB = estimate({ systemDisk: { kind: 'gib', roomGiB: gib(50) } })
    expect(lines(byGiB)[1]).toBe('disk 3.850000')
  })

  test('a memory image is charged per GiB for its share of the month, where the book says so', () => {
    const hibernated = { ...SMALL_BOOK.states.hibernated!, memoryImage: true }
    const east = { ...SMALL_BOOK.prices.east!, memoryImagePerGiBMonth: '0.1' }
    const book = {
      ...SMALL_BOOK,
      states: { ...SMALL_BOOK.states, hibernated },
      prices: { ...SMALL_BOOK.prices, east },
    }
    // 16 GiB × 0.1 × (2,678,400 − 230 × 3,600 − 23 × 46) s ÷ 2,678,400 s
    expect(lines(estimate({ off: 'hibernated' }, OFFICE_WEEK, book))[2]).toBe('memory-image 1.104744')
  })

  test('every charge points at its rate in the book', () => {
    const { charges } = estimate({ image: 'sealed', address: 'fixed' })
    for (const { rate } of charges) {
      const found = rate.pointer
        .slice(1)
        .split('/')
        .reduce<unknown>((value, step) => (value as Record<string, unknown>)[step], SMALL_BOOK)
      expect(found).toBe(rate.text)
    }
  })
})

const anyMachine = fc.record({
  off: fc.constantFrom('running' as const, 'stopped' as const, 'deallocated' as const, 'hibernated' as const),
  size: fc.constantFrom('small', 'middle', 'arm', 'huge'),
  image: fc.constantFrom('free', 'sealed'),
  address: fc.constantFrom('none' as const, 'fixed' as const),
  systemDisk: fc.record({
    kind: fc.constantFrom('steps', 'gib'),
    roomGiB: fc.integer({ min: 10, max: 100 }).map(gib),
  }),
})
const anyWeek = fc
  .record({
    zone: fc.constantFrom('Etc/UTC', 'Europe/Lisbon', 'Asia/Kolkata', 'Australia/Lord_Howe'),
    from: fc.integer({ min: 0, max: 23 }),
    length: fc.integer({ min: 1, max: 23 }),
    days: fc.subarray([...EVERY_DAY]),
  })
  .map(({ zone, from, length, days }) =>
    weekOf(
      zone,
      days.map((day) => ({ day, from: from * 60, to: (from + length) * 60 })),
    ),
  )
const anyMonth = fc
  .integer({ min: 0, max: 40 })
  .map((count) => billingMonth(addMonths('2026-01' as YearMonth, count)!, 'Etc/UTC'))

describe('whatever the machine, the week and the month', () => {
  test('nothing is negative, days sum exactly to the month, and always on costs the most', () => {
    fc.assert(
      fc.property(anyMachine, anyWeek, anyMonth, (part, week, month) => {
        const machine = resolved(part, week)
        const result = valueOf(estimateMachine({ resolved: machine, month }))
        for (const { amount } of result.charges) expect(amount.n).toBeGreaterThanOrEqual(0n)
        const days = dailyCosts(result, week.timeZone)
        const sum = days.reduce((total, day) => add(total, add(day.machineTime, day.floor)), ZERO)
        expect(compare(sum, result.total)).toBe(0)
        // The small book's address is dearer while off; without one, nothing costs more than running.
        if (part.address === 'none') expect(compare(result.total, result.alwaysOn)).toBeLessThanOrEqual(0)
      }),
      randomRuns(120),
    )
  })

  test('a week of 168 hours costs what never switching off costs', () => {
    const whole = weekOf('Europe/Lisbon', windowsOn(EVERY_DAY, '00:00-00:00'))
    fc.assert(
      fc.property(anyMachine, anyMonth, (part, month) => {
        const scheduled = machineTotal(resolved(part, whole), month)!
        const never = machineTotal(resolved({ ...part, off: 'running' }, whole), month)!
        expect(compare(scheduled, never)).toBe(0)
      }),
      randomRuns(60),
    )
  })
})

test('one hour in each state is what its meters cost', () => {
  const hours = hourByState(resolved({ address: 'fixed' }), MARCH)
  // 9.86 ÷ 744 = 0.013252… an hour for the disk
  expect(hours.map(({ state, amount, stillCharged }) => [state, toDecimal(amount, 6), stillCharged])).toEqual(
    [
      ['running', '0.223553', false],
      ['stopped', '0.223953', true],
      ['deallocated', '0.017253', false],
      ['hibernated', '0.017253', false],
    ],
  )
})

test('a local day is cut where the provider’s month begins, and has 23 hours when clocks go forward', () => {
  const days = dailyCosts(estimate(), 'Europe/Lisbon')
  const hours = days.map(({ span }) => (span.to - span.from) / 3_600)
  expect([days.length, hours[27], hours.at(-1)]).toEqual([32, 23, 1])
})
