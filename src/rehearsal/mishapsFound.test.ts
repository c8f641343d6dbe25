import fc from 'fast-check'
import { expect, test } from 'vitest'
import { billingMonth } from '../core/calendar/billingMonth.ts'
import { PlanPricing, type PricedMachine } from '../core/meter/planPricing.ts'
import { add, compare, subtract, ZERO } from '../core/quantity/exact.ts'
import { lengthOf, SECONDS_PER_DAY } from '../core/quantity/units.ts'
import type { Cause, CauseCode } from '../core/reconcile/cause.ts'
import { isDust } from '../core/reconcile/dust.ts'
import { reconcile, type Reconciliation } from '../core/reconcile/reconcile.ts'
import { anyPlanOf } from '../core/testing/anyPlan.ts'
import { DEMO_BOOKS } from '../core/testing/demoBooks.ts'
import type { PriceBook } from '../core/catalogue/priceBook.ts'
import { billOfRows } from '../files/bill/billOfRows.ts'
import { plannedBill } from '../files/bill/plannedBill.ts'
import { causeText } from '../wording/cause.ts'
import type { Mishap, MishapKind } from './mishap.ts'
import { readyToRehearse, rehearse } from './rehearse.ts'
import { rehearsedRows } from './rehearsedBill.ts'
import { RANDOM_SEED, randomCount } from '../core/testing/randomRuns.ts'

/** Of each book. */
const MONTHS = randomCount(25)

/** Much oftener than in life, so that they meet. */
const RATES = {
  'stop-missed': 0.05,
  'left-on': 0.05,
  'stopped-only': 0.05,
  'spot-taken': 0.1,
  'no-hardware': 0.05,
  'price-change': 0.2,
  'left-over': 1,
  unplanned: 0.1,
  'other-size': 0.15,
} as const satisfies Record<MishapKind, number>

const HOURS: readonly CauseCode[] = ['more-time', 'less-time', 'quantity', 'discount', 'price', 'left-over']

/**
 * What a mishap can come out as. On flat plans hours cost nothing, and what they send does; a machine that is switched
 * off in another way keeps disks that it would have deleted.
 */
const CAUSES = {
  'stop-missed': HOURS,
  'left-on': HOURS,
  'stopped-only': HOURS,
  'spot-taken': HOURS,
  'no-hardware': HOURS,
  'price-change': ['price'],
  'left-over': ['left-over', 'quantity', 'discount'],
  unplanned: ['unplanned-machine'],
  'other-size': ['other-size', ...HOURS, 'not-planned', 'not-billed'],
} as const satisfies Record<MishapKind, readonly CauseCode[]>

/** What must be said where nothing else befell the machine. */
const SAID = {
  ...CAUSES,
  'left-over': ['left-over'],
  'other-size': ['other-size', 'price', 'discount'],
} as const satisfies Record<MishapKind, readonly CauseCode[]>

interface Month {
  readonly found: Reconciliation
  readonly mishaps: readonly Mishap[]
  readonly ends: number
  readonly book: PriceBook
}

function rehearsedMonth(pattern: PriceBook, seed: number): Month {
  const [any] = fc.sample(anyPlanOf(pattern), { seed, numRuns: 1 })
  const { weeks, machines, month } = any!
  const book = { ...any!.book, valid: { from: '2027-01-01' } }
  const span = billingMonth(month, book.billingZone)
  const pricing = new PlanPricing({ plan: { machines, weeks }, books: [book], month, reading: 'calendar' })
  const priced = machines.map((machine): PricedMachine => {
    const result = pricing.of(machine)
    if (!result.ok) throw new Error(JSON.stringify(result.issues))
    return result
  })
  const rehearsal = rehearse(readyToRehearse(priced), RATES, seed)
  const bill = billOfRows(rehearsedRows(rehearsal, 'day'), { timeZone: book.billingZone })
  const plan = plannedBill(priced)
  const found = reconcile({
    planned: plan.lines,
    plannedResources: plan.resources,
    billed: bill.lines,
    resources: bill.resources,
    month: lengthOf(span),
  })
  return { found, mishaps: rehearsal.mishaps, ends: span.to, book }
}

/**
 * Hours that one machine used more are missing to others of the account: cheap bands of traffic, and what is free, which
 * then is billed where it was not planned, or the other way round.
 */
const isShared = ({ code, meter }: Cause, { freeAllowances }: PriceBook): boolean =>
  code === 'discount' ||
  (meter === 'traffic' && (code === 'quantity' || code === 'price')) ||
  (freeAllowances !== undefined && SHARED.includes(code))

const SHARED: readonly CauseCode[] = ['price', 'quantity', 'not-planned', 'not-billed']

/** The strict reading is of books that share nothing free. */
const BOOKS = DEMO_BOOKS.flatMap((book): [string, PriceBook][] => {
  const { freeAllowances, ...alone } = book
  return [
    [book.provider.name, alone],
    ...(freeAllowances ? [[`${book.provider.name} with what is free`, book] as [string, PriceBook]] : []),
  ]
})

function inventedCauses({ found, mishaps, book }: Month): string[] {
  return found.causes.flatMap((cause) => {
    if (isDust(cause.amount) || (mishaps.length > 0 && isShared(cause, book))) return []
    const isPriceOfAll = cause.code === 'price' && mishaps.some(({ kind }) => kind === 'price-change')
    const own = mishaps.filter(({ machine }) => machine === cause.of)
    const allowed = own.some(({ kind }) => (CAUSES[kind] as readonly CauseCode[]).includes(cause.code))
    return allowed || isPriceOfAll ? [] : [`${cause.code}: ${causeText(cause)}`]
  })
}

function missedMishaps({ found, mishaps, ends }: Month): string[] {
  return mishaps.flatMap(({ kind, machine, at }) => {
    const total = found.machines.find((each) => each.machine === machine)
    if (!total || isDust(subtract(total.billed, total.planned))) return []
    // Several things that befall one machine can hide each other; what stays for its last hours is no day longer.
    if (mishaps.filter((each) => each.machine === machine).length > 1) return []
    if (kind === 'left-over' && at > ends - SECONDS_PER_DAY) return []
    const said = found.causes.filter(({ of }) => of === machine).map(({ code }) => code)
    return said.some((code) => (SAID[kind] as readonly CauseCode[]).includes(code))
      ? []
      : [`${kind} of ${machine}: ${said.join(', ')}`]
  })
}

/** Of a hundred mishaps, so many may be named wrongly: some that meet in one machine still are, where they are rare. */
const MOST_WRONG_SHARE = 0.08

test.each(BOOKS)(
  'rehearsed months of %s: causes add up; mishaps are causes, and hardly any is missed or invented',
  (_, pattern) => {
    let befallen = 0
    const wrong: string[] = []
    for (let seed = RANDOM_SEED; seed < RANDOM_SEED + MONTHS; seed += 1) {
      const month = rehearsedMonth(pattern, seed)
      const { causes, billed, planned } = month.found
      const sum = causes.reduce((total, { amount }) => add(total, amount), ZERO)
      expect(compare(sum, subtract(billed, planned)), `seed ${seed}`).toBe(0)
      wrong.push(...[...inventedCauses(month), ...missedMishaps(month)].map((what) => `${seed}: ${what}`))
      befallen += month.mishaps.length
    }
    expect(befallen).toBeGreaterThan(0)
    // Two more, since one month has little of everything.
    expect(wrong.length > 2 + befallen * MOST_WRONG_SHARE ? wrong : []).toEqual([])
  },
)
