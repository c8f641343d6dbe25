import fc from 'fast-check'
import { expect, test } from 'vitest'
import type { PriceBook } from '../catalogue/priceBook.ts'
import type { Machine } from '../machine/plan.ts'
import { PlanPricing, type PricedMachine } from '../meter/planPricing.ts'
import type { YearMonth } from '../calendar/yearMonth.ts'
import { STATE_OF_PHASE } from '../off/powerState.ts'
import { anyMachineOf, anyWeek } from '../testing/anyMachines.ts'
import { DEMO_BOOKS } from '../testing/demoBooks.ts'
import { pricedTogether } from '../testing/smallPlan.ts'
import { SMALL_BOOK } from '../testing/smallBook.ts'
import { OFFICE_WEEK } from '../testing/resolved.ts'
import { weekOf, windowsOn, WORKDAYS } from '../testing/weeks.ts'
import { quotaUse } from './quotaUse.ts'
import { randomRuns } from '../testing/randomRuns.ts'

const LIMITED: PriceBook = {
  ...SMALL_BOOK,
  quotas: {
    vcpu: 20,
    vcpuByRegion: { west: 2 },
    vcpuByFamily: { plain: 30 },
    machines: 2,
    fixedAddresses: 1,
  },
}
const NIGHTS = { ...weekOf('Europe/Lisbon', windowsOn(WORKDAYS, '20:00-22:00')), id: 'nights' }

const shown = (machines: readonly Partial<Machine>[]) =>
  quotaUse(pricedTogether(machines, LIMITED, { weeks: [OFFICE_WEEK, NIGHTS] })).map(
    ({ what, of, most, together, peak }) => [of?.id ?? what, most, together, peak],
  )

test('day and night machines hold less at one time than all together', () => {
  expect(
    shown([{ address: 'fixed' }, { week: 'nights', address: 'fixed' }, { region: 'west', size: 'small' }]),
  ).toEqual([
    ['vcpu', 20, 10, 6],
    ['west', 2, 2, 2],
    ['plain', 30, 10, 6],
    ['machines', 2, 3, 3],
    ['fixed-addresses', 1, 2, 2],
  ])
})

test('a machine that is not there in the month counts for nothing, but for the address that it left', () => {
  const [gone, later] = [
    { lastDay: '2027-02-10', address: 'fixed' },
    { firstDay: '2027-04-02', address: 'fixed' },
  ] as const
  const only = [
    ['vcpu', 20, 4, 4],
    ['west', 2, 0, 0],
    ['plain', 30, 4, 4],
    ['machines', 2, 1, 1],
  ]
  expect(shown([{}, gone, later])).toEqual([...only, ['fixed-addresses', 1, 1, 1]])
  expect(shown([{}, { ...gone, addressGoes: true }])).toEqual([...only, ['fixed-addresses', 1, 0, 0]])
})

test('a stop that keeps the hardware holds its vCPU all month', () => {
  expect(shown([{ off: 'stopped' }, { week: 'nights', off: 'stopped' }])[0]).toEqual(['vcpu', 20, 8, 8])
})

test('a book without quotas has none', () => {
  expect(quotaUse(pricedTogether([{}], SMALL_BOOK))).toEqual([])
})

test('the peak is what a look at every second at which something changes finds', () => {
  const book = { ...DEMO_BOOKS[0]!, quotas: { vcpu: 100, machines: 100, fixedAddresses: 100 } }
  const anyPlan = fc.record({
    machines: fc.array(anyMachineOf(book, ['a', 'b']), { minLength: 1, maxLength: 5 }),
    weeks: fc.tuple(anyWeek('a'), anyWeek('b')),
  })
  fc.assert(
    fc.property(anyPlan, ({ machines: some, weeks }) => {
      const machines = some.map((machine, i) => ({ ...machine, name: `m${i}` }))
      const pricing = new PlanPricing({
        plan: { machines, weeks },
        books: [book],
        month: '2027-03' as YearMonth,
        reading: 'calendar',
      })
      const priced = machines.flatMap((machine) => {
        const result = pricing.of(machine)
        return result.ok ? [result] : []
      })
      const [vcpu] = quotaUse(priced)
      if (!vcpu) return
      const times = priced.flatMap(({ estimate, month }) =>
        estimate.metered.timeline.segments
          .map(({ from }) => Math.max(from, month.from))
          .filter((at) => at < month.to),
      )
      const held = (at: number): number =>
        priced.reduce((sum, each) => sum + (holds(each, at) ? each.resolved.size.vcpu : 0), 0)
      const looked = Math.max(...times.map(held))
      expect(vcpu.peak).toBe(looked)
      if (looked > 0) expect(held(vcpu.peakAt)).toBe(looked)
    }),
    randomRuns(40),
  )
}, 60_000)

function holds({ resolved, estimate }: PricedMachine, at: number): boolean {
  const now = estimate.metered.timeline.segments.find(({ from, to }) => from <= at && at < to)
  return now !== undefined && resolved.index.book.states[STATE_OF_PHASE[now.phase]]!.compute
}
