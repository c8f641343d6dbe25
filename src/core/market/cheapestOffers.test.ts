import fc from 'fast-check'
import { describe, expect, test } from 'vitest'
import type { AutoShutdown } from '../calendar/autoShutdown.ts'
import type { Machine, Plan } from '../machine/plan.ts'
import type { PlatesInputs } from '../notches/plate.ts'
import { compare, toNumber, type Exact } from '../quantity/exact.ts'
import { gib } from '../quantity/units.ts'
import {
  anyMarketBook,
  anyMarketMachine,
  everyForm,
  marketInputs,
  MARKET_MONTH,
} from '../testing/everyForm.ts'
import { OFFICE_WEEK } from '../testing/resolved.ts'
import { cheapestOffers } from './cheapestOffers.ts'
import { Market } from './market.ts'
import { offerBound } from './offerBound.ts'
import type { MarketOffer } from './offerTotal.ts'
import { randomRuns } from '../testing/randomRuns.ts'

/** The least total of each offer, found by looking at every form that the machine can have. */
function everyOffer(inputs: PlatesInputs): Map<string, Exact> {
  const least = new Map<string, Exact>()
  for (const { resolved, total } of everyForm(inputs)) {
    const { provider, region, size, terms } = resolved.machine
    const key = [provider, region, size, terms].join('/')
    const known = least.get(key)
    if (!known || compare(total, known) < 0) least.set(key, total)
  }
  return least
}

const keyOf = ({ machine: { provider, region, size, terms } }: MarketOffer): string =>
  [provider, region, size, terms].join('/')

const inOrder = (totals: Iterable<Exact>): Exact[] => [...totals].sort(compare)

/** What makes bounds hard: traffic, snapshots, what is read and written, a disk that goes, a shutdown that hibernates. */
const anyExtras: fc.Arbitrary<Partial<Machine>> = fc
  .record({
    traffic: fc.constantFrom(undefined, 300),
    snapshots: fc.boolean(),
    operations: fc.boolean(),
    extraIops: fc.boolean(),
  })
  .map(({ traffic, snapshots, operations, extraIops }) => ({
    ...(traffic !== undefined && { trafficOutGiB: gib(traffic) }),
    systemDisk: {
      kind: extraIops ? 'bought' : 'steps',
      roomGiB: gib(64),
      goes: true,
      ...(extraIops && { extraIops: 500 }),
      ...(operations && { operationsPerMonth: 250_000 }),
      ...(snapshots && { snapshots: { every: 'day', kept: 3, changedPercent: 5 } as const }),
    },
  }))

const SHUTDOWN: AutoShutdown = { minute: 15 * 60, days: [0, 1], off: 'hibernated' }

const planOf = (machine: Machine): Plan => ({
  name: 'any',
  month: MARKET_MONTH,
  weeks: [machine.off === 'stopped' ? { ...OFFICE_WEEK, autoShutdown: SHUTDOWN } : OFFICE_WEEK],
  machines: [machine, { ...machine, name: 'second', size: 'tenth' }],
  exchangeRates: [{ from: 'USD', to: 'EUR', rate: '0.9184', date: '2027-02-26' }],
})

describe('the cheapest offers', () => {
  test('are those of pricing everything, in exact order, over two providers, with anything pinned', () => {
    let seen = 0
    fc.assert(
      fc.property(
        anyMarketBook('mill', 'EUR'),
        anyMarketBook('weir', 'USD'),
        anyMarketMachine,
        fc.option(anyExtras, { nil: {} }),
        fc.constantFrom('any', 'easy', 'easiest', 'easiest'),
        (own, other, plain, extras, how) => {
          // Needs of all sorts together leave little: most machines need no more than their size, half have no more.
          const { vcpu, memoryGiB } = plain.needs
          const easy = { needs: { vcpu, memoryGiB, iops: 0 }, pinned: [] }
          const machine = {
            ...plain,
            ...(how !== 'easiest' && extras),
            ...(how !== 'any' && easy),
          }
          const inputs = marketInputs(planOf(machine), [own, other], machine)
          const expected = everyOffer(inputs)
          const questions = new Market().ask(inputs)
          const found = cheapestOffers(questions, 200)
          seen += found.length
          expect(found.map(keyOf).toSorted()).toEqual([...expected.keys()].toSorted())
          for (const offer of found) expect(compare(offer.total, expected.get(keyOf(offer))!)).toBe(0)
          const totals = found.map(({ total }) => total)
          expect(totals.map(toNumber)).toEqual(inOrder(totals).map(toNumber))
          // Fewer are the first of them.
          for (const most of [1, 5]) {
            const few = cheapestOffers(questions, most).map(({ total }) => toNumber(total))
            expect(few).toEqual(inOrder(expected.values()).slice(0, most).map(toNumber))
          }
          // A bound is never above what an offer costs, and is that but for rounding where no price goes by hours.
          for (const offer of found) {
            const { seller, region, terms, size, total } = offer
            const bound = offerBound(questions[seller]!, region, terms, size)
            expect(bound).toBeLessThanOrEqual(toNumber(total) * (1 + 1e-9) + 1e-9)
          }
        },
      ),
      randomRuns(4),
    )
    expect(seen).toBeGreaterThan(0)
  })
})
