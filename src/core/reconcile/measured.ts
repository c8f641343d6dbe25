import { focusUnit } from '../bill/focusUnit.ts'
import type { BillLine } from '../bill/billLine.ts'
import { exact, multiply, type Exact } from '../quantity/exact.ts'
import type { Seconds } from '../quantity/units.ts'

/** A quantity in units that plan and bill can be compared in. */
export interface Measured {
  /** `time`, `GiB-time`, `GiB`; the unit as written where it is not known. */
  readonly unit: string
  readonly amount: Exact
  /** How many of the unit one pricing unit is: 3,600 seconds for an hour. */
  readonly factor: Exact
}

const SECONDS = { Second: 1, Minute: 60, Hour: 3_600, Day: 86_400, Week: 604_800, Year: 31_536_000 } as const
const ONE = exact(1)

/** Data sizes in GiB, decimal ones exactly. */
const DATA: ReadonlyMap<string, Exact> = new Map([
  ['MB', { n: 10n ** 6n, d: 2n ** 30n }],
  ['GB', { n: 10n ** 9n, d: 2n ** 30n }],
  ['TB', { n: 10n ** 12n, d: 2n ** 30n }],
  ['MiB', { n: 1n, d: 1_024n }],
  ['GiB', { n: 1n, d: 1n }],
  ['TiB', { n: 1_024n, d: 1n }],
])

/** What a line counts: time in seconds, data in GiB. A month is as long as the month of the bill. */
export function measured(
  { quantity, pricingUnit }: Pick<BillLine, 'quantity' | 'pricingUnit'>,
  month: Seconds,
): Measured {
  const unit = focusUnit(pricingUnit)
  if (!unit) return { unit: pricingUnit, amount: quantity, factor: ONE }
  const data = unit.thing === undefined ? undefined : DATA.get(unit.thing)
  const seconds = unit.time === 'Month' ? month : unit.time === undefined ? 1 : SECONDS[unit.time]
  const thing = unit.thing === undefined ? undefined : data ? 'GiB' : unit.thing
  const factor = [exact(seconds), data ?? ONE].reduce(multiply, exact(unit.count))
  return {
    unit: [thing, unit.time && 'time'].filter(Boolean).join('-'),
    amount: multiply(quantity, factor),
    factor,
  }
}
