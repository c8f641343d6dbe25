import { readFileSync } from 'node:fs'
import { Temporal } from 'temporal-polyfill'
import { billingMonth } from '../src/core/calendar/billingMonth.ts'
import { addMonths, type YearMonth } from '../src/core/calendar/yearMonth.ts'
import type { WeekPlan } from '../src/core/calendar/weekPlan.ts'
import { weekSpans } from '../src/core/calendar/weekSpans.ts'
import { indexBook } from '../src/core/catalogue/bookIndex.ts'
import { applyChoice, choicesOf, decisionsOf } from '../src/core/decisions/choice.ts'
import type { Machine, Plan } from '../src/core/machine/plan.ts'
import { resolveMachine } from '../src/core/machine/resolveMachine.ts'
import { estimateMachine } from '../src/core/meter/estimateMachine.ts'
import { estimateInPlan, PlanPricing } from '../src/core/meter/planPricing.ts'
import { summarisePlan } from '../src/core/meter/summarisePlan.ts'
import { platesOf } from '../src/core/notches/plates.ts'
import { readPriceBook } from '../src/files/priceBook/priceBookFile.ts'
import { filterLedger, foldLedger } from '../src/core/ledger/foldLedger.ts'
import { planLedger } from '../src/core/ledger/planLedger.ts'
import { simpleMeter } from '../src/core/testing/simpleMeter.ts'
import { manyRows, matchOneByOne, readRows, withManyShapes } from './inventoryMatching.ts'
import { largeBook, largePlan, usingAllRules, withAllRules } from './generate.ts'

const MARCH = '2027-03' as YearMonth
const pattern = readPriceBook(readFileSync('data/fennmark.json', 'utf8'))
if (!pattern.ok) throw new Error('data/fennmark.json is not valid')
const fennmark = pattern.value
const book = largeBook(fennmark, { sizes: 1_200, regions: 60, diskKinds: 8 })
const plan = largePlan(book, 1_000, 40)

/**
 * Median milliseconds of `runs` runs after a few to warm up, each on inputs of its own, so that no memo of an earlier
 * run helps.
 */
function median<T>(runs: number, prepare: () => T, run: (input: T) => void): number {
  for (let i = 0; i < Math.ceil(runs / 3); i += 1) run(prepare())
  const times = Array.from({ length: runs }, () => {
    const input = prepare()
    const start = performance.now()
    run(input)
    return performance.now() - start
  })
  return times.sort((a, b) => a - b)[Math.floor(runs / 2)]!
}

const freshPlan = (): Plan => ({ ...plan, weeks: plan.weeks.map((week) => ({ ...week })) })

interface Row {
  readonly what: string
  readonly ours: number
  readonly plain: number
  readonly baseline: string
}

function plates(): Row {
  const { weeks, machines } = freshPlan()
  const machine = machines[0]!
  const month = billingMonth(MARCH, book.billingZone)
  const resolve = (fresh: readonly WeekPlan[]) => {
    const resolved = resolveMachine({ ...machine, off: 'hibernated' }, { weeks: fresh }, indexBook(book))
    if (!resolved.ok) throw new Error('the generated machine does not resolve')
    return resolved.value
  }
  const ours = median(
    15,
    () => weeks.map((week) => ({ ...week })),
    (fresh) => platesOf({ resolved: resolve(fresh), plan: { weeks: fresh }, month }),
  )
  const plain = median(
    3,
    () => weeks,
    () => {
      for (const decision of decisionsOf(resolve(weeks))) {
        for (const choice of choicesOf(resolve(weeks), decision, weeks)) {
          // A machine at a time, its schedule expanded anew: what one would write without sharing anything.
          const alone = weeks.map((week) => ({ ...week }))
          const changed = resolveMachine(
            applyChoice(resolve(alone).machine, choice),
            { weeks: alone },
            indexBook(book),
          )
          if (changed.ok) estimateMachine({ resolved: changed.value, month })
        }
      }
    },
  )
  return {
    what: 'all plates of one machine, 1,200 sizes, 60 regions',
    ours,
    plain,
    baseline: 'each choice on its own',
  }
}

/** All plates after a notch of another plate was moved, against a machine that was never seen. */
function movedNotch(): Row {
  const rich = withAllRules(largeBook(fennmark, { sizes: 1_200, regions: 60, diskKinds: 8 }))
  const { weeks, machines } = usingAllRules(largePlan(rich, 5, 5), rich)
  const [machine] = machines
  const inputsOf = (moved: Machine, of: readonly WeekPlan[]) => {
    const whole: Plan = { name: 'moves', month: MARCH, weeks: of, machines: [moved, ...machines.slice(1)] }
    const pricing = new PlanPricing({ plan: whole, books: [rich], month: MARCH, reading: 'calendar' })
    const priced = pricing.of(moved)
    if (!priced.ok) throw new Error('the generated machine is not priced')
    const { resolved, month, account } = priced
    const elsewhere = pricing.elsewhere(resolved.index)
    return { resolved, plan: whole, month, shared: account.planned, elsewhere }
  }
  const sizes = [machine!.size, rich.sizes[7]!.id]
  let moves = 0
  const move = (): Machine => ({ ...machine!, size: sizes[(moves += 1) % 2]! })
  const ours = median(21, move, (moved) => platesOf(inputsOf(moved, weeks)))
  const plain = median(9, move, (moved) =>
    platesOf(
      inputsOf(
        moved,
        weeks.map((week) => ({ ...week })),
      ),
    ),
  )
  return {
    what: 'all plates after a notch is moved, 1,200 sizes with every rule',
    ours,
    plain,
    baseline: 'a machine never seen',
  }
}

function wholePlan(): Row {
  const ours = median(9, freshPlan, (fresh) =>
    summarisePlan({ plan: fresh, books: [book], month: MARCH, reading: 'calendar' }),
  )
  const plain = median(3, freshPlan, (fresh) => {
    for (const machine of fresh.machines) {
      const weeks = fresh.weeks.map((week) => ({ ...week }))
      const alone = { weeks, machines: [machine] }
      estimateInPlan(machine, { plan: alone, books: [book], month: MARCH, reading: 'calendar' })
    }
  })
  return { what: 'a month of 1,000 machines', ours, plain, baseline: 'weeks expanded for each machine' }
}

/** A year of the whole plan, expanded and priced; the plain way expands each machine's week for itself. */
function wholeYear(): Row {
  const months = Array.from({ length: 12 }, (_, i) => addMonths(MARCH, i)!)
  const ours = median(5, freshPlan, (fresh) => {
    for (const month of months) summarisePlan({ plan: fresh, books: [book], month, reading: 'calendar' })
  })
  const sample = 100
  const plainSample = median(3, freshPlan, (fresh) => {
    for (const month of months) {
      for (const machine of fresh.machines.slice(0, sample)) {
        const alone = { weeks: fresh.weeks.map((week) => ({ ...week })), machines: [machine] }
        estimateInPlan(machine, { plan: alone, books: [book], month, reading: 'calendar' })
      }
    }
  })
  const plain = (plainSample * plan.machines.length) / sample
  return {
    what: '12 months of 1,000 machines on 40 weeks',
    ours,
    plain,
    baseline: 'weeks expanded for each machine',
  }
}

/** Every rule at once, against the meter that walks the minutes; that one prices a sample of the machines. */
function allRules(): Row {
  const rich = withAllRules(largeBook(fennmark, { sizes: 200, regions: 6, diskKinds: 8 }))
  const full = usingAllRules(largePlan(rich, 1_000, 40), rich)
  const fresh = (): Plan => ({ ...full, weeks: full.weeks.map((week) => ({ ...week })) })
  const ours = median(9, fresh, (each) =>
    summarisePlan({ plan: each, books: [rich], month: MARCH, reading: 'calendar' }),
  )
  const sample = 40
  const month = billingMonth(MARCH, rich.billingZone)
  const some = full.machines.slice(0, sample)
  const plainSample = median(3, fresh, ({ weeks }) =>
    simpleMeter({ machines: some, weeks, book: rich, month, reading: 'calendar' }),
  )
  return {
    what: 'a month of 1,000 machines with every rule',
    ours,
    plain: (plainSample * full.machines.length) / sample,
    baseline: 'minute by minute',
  }
}

/** What another filter or fold costs, against laying the whole ledger out anew. */
function wholeLedger(): Row {
  const rich = withAllRules(largeBook(fennmark, { sizes: 200, regions: 6, diskKinds: 8 }))
  const full = usingAllRules(largePlan(rich, 1_000, 40), rich)
  const inputs = { books: [rich], month: MARCH, reading: 'calendar' as const, decimals: 2 }
  let rows = 0
  const layingOut = median(
    3,
    () => ({ ...full, weeks: full.weeks.map((week) => ({ ...week })) }),
    (plan) => {
      rows = planLedger({ ...inputs, plan }).ledger.byTime.length
    },
  )
  const { ledger, days } = planLedger({ ...inputs, plan: full })
  const folding = median(
    5,
    () => ledger,
    (laid) => {
      foldLedger(laid, filterLedger(laid, { meters: new Set(['disk']), states: new Set() }), 'machine', days)
    },
  )
  return {
    what: `a ledger of ${rows.toLocaleString('en')} rows, filtered and folded`,
    ours: folding,
    plain: layingOut,
    baseline: 'laid out anew',
  }
}

/** Day by day with a general date library: the plain way to expand a week. */
function dayByDay(week: WeekPlan, month: YearMonth): number {
  let seconds = 0
  let day = Temporal.PlainDate.from(`${month}-01`)
  const end = day.add({ months: 1 })
  for (; Temporal.PlainDate.compare(day, end) < 0; day = day.add({ days: 1 })) {
    for (const window of week.windows.filter((candidate) => candidate.day === day.dayOfWeek - 1)) {
      const at = (minutes: number): number =>
        day
          .toPlainDateTime()
          .add({ minutes })
          .toZonedDateTime(week.timeZone, { disambiguation: 'compatible' }).epochMilliseconds / 1_000
      seconds += at(window.to) - at(window.from)
    }
  }
  return seconds
}

function schedules(): Row {
  const months = Array.from({ length: 12 }, (_, i) => addMonths('2027-01' as YearMonth, i)!)
  const spans = months.map((month) => billingMonth(month, 'Etc/UTC'))
  const weeks = Array.from({ length: 1_000 }, (_, i) => plan.weeks[i % plan.weeks.length]!)
  const ours = median(
    9,
    () => weeks,
    () => {
      for (const week of weeks) for (const span of spans) weekSpans(week, span)
    },
  )
  const sample = 20
  const plainSample = median(
    3,
    () => weeks.slice(0, sample),
    (some) => {
      for (const week of some) for (const month of months) dayByDay(week, month)
    },
  )
  const plain = (plainSample * weeks.length) / sample
  return {
    what: 'weeks of 1,000 machines over 12 months',
    ours,
    plain,
    baseline: 'day by day with a date library',
  }
}

/** A table of 5,000 rows against a book of 5,000 sizes; the plain way matches a sample of the rows. */
function inventories(): Row[] {
  const shaped = withManyShapes(book)
  const [week] = plan.weeks
  const sample = 50
  const asked = manyRows(shaped, week!, 5_000)
  const plainSample = median(
    3,
    () => ({ ...asked, books: [{ ...shaped }] }),
    (inputs) => matchOneByOne(inputs, sample),
  )
  return [0, 200, 5_000].map((shapes) => ({
    what: `5,000 rows against 5,000 sizes, ${shapes === 0 ? 'by name' : `${shapes.toLocaleString('en')} shapes`}`,
    ours: median(5, () => manyRows(shaped, { ...week! }, shapes), readRows),
    plain: (plainSample * asked.table.rows.length) / sample,
    baseline: 'row by row',
  }))
}

const figure = (ms: number): string => `${ms.toFixed(ms < 10 ? 2 : 0)} ms`
for (const { what, ours, plain, baseline } of [
  plates(),
  movedNotch(),
  wholePlan(),
  wholeYear(),
  allRules(),
  schedules(),
  wholeLedger(),
  ...inventories(),
]) {
  console.log(`${what}: ${figure(ours)}; ${baseline}: ${figure(plain)}; ratio ${(plain / ours).toFixed(0)}`)
}
