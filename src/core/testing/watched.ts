import type { YearMonth } from '../calendar/yearMonth.ts'
import type { WeekPlan } from '../calendar/weekPlan.ts'
import type { PriceBook } from '../catalogue/priceBook.ts'
import type { Machine, Plan } from '../machine/plan.ts'
import { PlanPricing } from '../meter/planPricing.ts'
import { platesOf } from '../notches/plates.ts'
import { gib } from '../quantity/units.ts'
import type { Finding } from '../watch/finding.ts'
import { watchList, type WatchList } from '../watch/watchList.ts'
import { OFFICE_WEEK } from './resolved.ts'
import { RULE_BOOK } from './ruleBook.ts'
import { SMALL_MACHINE } from './smallBook.ts'

interface WatchedScene {
  readonly part?: Partial<Machine>
  readonly others?: readonly Machine[]
  readonly book?: PriceBook
  readonly more?: readonly PriceBook[]
  readonly week?: WeekPlan
  readonly reading?: 'calendar' | '730-hours'
}

/** The small machine, needed four hours a day unless said otherwise, watched as part of its plan in March 2027. */
export function watch({
  part = {},
  others = [],
  book = RULE_BOOK,
  more = [],
  week = OFFICE_WEEK,
  reading = 'calendar',
}: WatchedScene): WatchList {
  const machine: Machine = { ...SMALL_MACHINE, ...part }
  const plan: Plan = {
    name: 'watched',
    month: '2027-03' as YearMonth,
    weeks: [{ ...week, id: machine.week }],
    machines: [machine, ...others],
  }
  const pricing = new PlanPricing({ plan, books: [book, ...more], month: plan.month, reading })
  const priced = pricing.of(machine)
  if (!priced.ok) throw new Error(JSON.stringify(priced.issues))
  const { resolved, month, account, estimate } = priced
  const elsewhere = pricing.elsewhere(resolved.index)
  const inputs = { resolved, plan, month, shared: account.planned, elsewhere }
  return watchList({ ...inputs, plates: platesOf(inputs), estimate, machines: plan.machines })
}

export const findWatched = (scene: WatchedScene, key: string): Finding | undefined =>
  watch(scene).open.find((finding) => finding.key === key)

/** A part of a machine of which little can be found: its disk goes with it. */
export const QUIET = { address: 'none', systemDisk: { kind: 'steps', roomGiB: gib(32), goes: true } } as const
