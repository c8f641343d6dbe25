import type { BillLine } from '../bill/billLine.ts'
import {
  add,
  compare,
  divide,
  exact,
  isZero,
  multiply,
  sign,
  subtract,
  ZERO,
  type Exact,
} from '../quantity/exact.ts'
import type { Seconds } from '../quantity/units.ts'
import type { Cause, DayDifference } from './cause.ts'
import { isDust } from './dust.ts'
import { thingsPerHour } from './hoursByDay.ts'
import { measured } from './measured.ts'
import type { MeterClass } from './meterClass.ts'
import { addUse, isSamePrice, priceOfLine, useDifference, type MeasuredLine, type Uses } from './pricedUse.ts'

const ONE = exact(1)
const WHOLE = ''
/** Half a second of a day, or less than any disk. */
const NO_DIFFERENCE: Exact = { n: 1n, d: 2n }

export interface MachineFacts {
  /** True length of the month. */
  readonly month: Seconds
  /** Days on which the machine itself is billed as used. */
  readonly on: ReadonlySet<string>
  /** How many times the vCPU, cores and GiB of the planned size the billed one has; 1 where it is the same. */
  readonly sizeRatio: ReadonlyMap<string, Exact>
}

/**
 * One meter of one machine, unit by unit: how much more or less was used, day by day, and what it cost otherwise than
 * planned. Units that only one side has cannot be compared: where both have such, the difference is unexplained.
 */
export function explainMeter(
  of: string,
  meter: MeterClass,
  planned: readonly BillLine[],
  billed: readonly BillLine[],
  { month, on, sizeRatio }: MachineFacts,
): Cause[] {
  const things = thingsPerHour(planned)
  const before = byUnit(planned, month, things)
  // Another size counts more things for an hour.
  const ofSize = [...things].map(([unit, each]): [string, Exact] => [
    unit,
    multiply(each, sizeRatio.get(unit) ?? ONE),
  ])
  const after = byUnit(billed, month, new Map(ofSize))
  const causes = [...before].flatMap(([unit, plan]) => {
    const bill = after.get(unit)
    return bill ? compareUses(of, meter, unit, plan, bill, on) : []
  })
  const alone = (sides: Sides, others: Sides): readonly MeasuredLine[] =>
    [...sides].flatMap(([unit, lines]) => (others.has(unit) ? [] : lines))
  const [onlyPlanned, onlyBilled] = [alone(before, after), alone(after, before)]
  const amount = subtract(costOf(onlyBilled), costOf(onlyPlanned))
  const isBeside = [...before.keys()].some((unit) => after.has(unit) && isTimeOf(meter, unit))
  // What is charged beside the same hours, for a term or for each vCPU, is a part of their price.
  if (isBeside && !isZero(amount)) return [...causes, { code: 'price', of, meter, amount, unit: 'time' }]
  if (onlyPlanned.length > 0 && onlyBilled.length > 0) {
    return [...causes, { code: 'unexplained', of, meter, amount }]
  }
  if (onlyPlanned.length > 0) return [...causes, { code: 'not-billed', of, meter, amount }]
  if (onlyBilled.length === 0) return causes
  const isAfter =
    canBeLeft(meter) && planned.length === 0 && onlyBilled.every(({ line }) => !on.has(line.day))
  return [...causes, { code: isAfter ? 'left-over' : 'not-planned', of, meter, amount }]
}

type Sides = ReadonlyMap<string, readonly MeasuredLine[]>

/** `vCPU time` is time of the machine, of which each hour counts its vCPU. */
function byUnit(
  lines: readonly BillLine[],
  month: Seconds,
  things: ReadonlyMap<string, Exact>,
): Map<string, MeasuredLine[]> {
  const sides = new Map<string, MeasuredLine[]>()
  for (const line of lines) {
    const { unit, amount, factor } = measured(line, month)
    const each = things.get(unit)
    const own = each
      ? { line, quantity: divide(amount, each), factor: divide(factor, each) }
      : { line, quantity: amount, factor }
    const known = sides.get(unit)
    if (known) known.push(own)
    else sides.set(unit, [own])
  }
  return sides
}

const isTimeOf = (meter: MeterClass, unit: string): boolean =>
  (meter === 'machine-time' || meter === 'licence') && unit.endsWith('time')

interface Day extends DayDifference {
  readonly used: Exact
  readonly price: Exact
}

function compareUses(
  of: string,
  meter: MeterClass,
  unit: string,
  before: readonly MeasuredLine[],
  after: readonly MeasuredLine[],
  on: ReadonlySet<string>,
): Cause[] {
  const isLong = [...before, ...after].some(({ line }) => line.day !== line.lastDay)
  const dayOf = ({ line }: MeasuredLine): string => (isLong ? WHOLE : line.day)
  const known = new Map<string, Exact>()
  const plans = usesByDay(before, dayOf, [], known)
  const bills = usesByDay(after, dayOf, [...known.values()])
  const quantity = before.reduce((sum, each) => add(sum, each.quantity), ZERO)
  const average = isZero(quantity) ? ZERO : divide(costOf(before), quantity)
  let rounded = ZERO
  const days = [...new Set([...plans.keys(), ...bills.keys()])].sort().map((day): Day => {
    const [plan, bill] = [plans.get(day) ?? new Map(), bills.get(day) ?? new Map()]
    // What is there on a day without a plan has no price to be held against, but for a machine’s hours.
    const expected = isTimeOf(meter, unit) || plan.size > 0 ? average : undefined
    const { used, price, rounding } = useDifference(plan, bill, known, expected)
    rounded = add(rounded, rounding)
    return { day, planned: quantityOf(plan), billed: quantityOf(bill), used, price }
  })
  const priced = days.filter(({ price }) => !isZero(price))
  const prices = pricesOn(priced, plans, bills, average)
  const since = priced.find(({ day }) => day !== WHOLE)?.day
  const dearer = priced.reduce((sum, { price }) => add(sum, price), ZERO)
  const onPriced = new Set(priced.map(({ day }) => day))
  const [plansPriced, billsPriced] = [before, after].map((lines) =>
    lines.filter((line) => onPriced.has(dayOf(line))),
  )
  const isListed = isBelowSameList(plansPriced!, billsPriced!)
  const all: Cause[] = [
    ...usedCauses(of, meter, unit, days, isLong, on),
    {
      code: isListed ? 'discount' : 'price',
      of,
      meter,
      amount: dearer,
      unit: unitSaid(meter, unit),
      ...(prices && { prices }),
      ...(since && { since }),
    },
    { code: 'rounding', of, meter, amount: rounded },
  ]
  return withPriceOfLeftOver(all).flatMap((cause): Cause[] => {
    if (isZero(cause.amount)) return []
    return isDust(cause.amount) ? [{ code: 'rounding', of, meter, amount: cause.amount }] : [cause]
  })
}

/** What a unit costs by the list; undefined where the bill does not say. */
function listPrice(lines: readonly MeasuredLine[]): Exact | undefined {
  const quantity = lines.reduce((sum, each) => add(sum, each.quantity), ZERO)
  const list = lines.reduce((sum, { line }) => add(sum, line.list), ZERO)
  return isZero(quantity) || isZero(list) ? undefined : divide(list, quantity)
}

/** The list did not change, and no more than it was paid: what was paid of it is another part. */
function isBelowSameList(planned: readonly MeasuredLine[], billed: readonly MeasuredLine[]): boolean {
  const [before, after] = [listPrice(planned), listPrice(billed)]
  if (!before || !after || !isSamePrice(before, after)) return false
  const list = billed.reduce((sum, { line }) => add(sum, line.list), ZERO)
  return compare(costOf(billed), list) <= 0
}

const unitSaid = (meter: MeterClass, unit: string): string => (isTimeOf(meter, unit) ? 'time' : unit)

/** Days with more and days with less are told apart for time; what moves between planned prices goes with the larger. */
function usedCauses(
  of: string,
  meter: MeterClass,
  unit: string,
  days: readonly Day[],
  isLong: boolean,
  on: ReadonlySet<string>,
): Cause[] {
  const sum = (some: readonly Day[]): Exact => some.reduce((total, { used }) => add(total, used), ZERO)
  const shown = (some: readonly Day[]): Pick<Cause, 'days' | 'unit'> => ({
    unit: unitSaid(meter, unit),
    ...(!isLong &&
      some.length > 0 && { days: some.map(({ day, planned, billed }) => ({ day, planned, billed })) }),
  })
  const differing = days.filter(({ planned, billed }) => !isNear(subtract(billed, planned)))
  if (!isTimeOf(meter, unit)) {
    // An address has other rates while it is held and while it is used; all else has free and rebated parts.
    const moved = meter === 'address' ? 'quantity' : 'discount'
    const used = isLeftOver(meter, days, differing, on) ? 'left-over' : 'quantity'
    const code = differing.length === 0 ? moved : used
    return [{ code, of, meter, amount: sum(days), ...shown(differing) }]
  }
  const more = differing.filter(({ planned, billed }) => sign(subtract(billed, planned)) > 0)
  const less = differing.filter((day) => !more.includes(day))
  const moved = sum(days.filter((day) => !differing.includes(day)))
  if (differing.length === 0)
    return [{ code: 'price', of, meter, amount: moved, unit: unitSaid(meter, unit) }]
  const [amountMore, amountLess] = [sum(more), sum(less)]
  const isMoved = more.length >= less.length
  return [
    { code: 'more-time', of, meter, amount: isMoved ? add(amountMore, moved) : amountMore, ...shown(more) },
    { code: 'less-time', of, meter, amount: isMoved ? amountLess : add(amountLess, moved), ...shown(less) },
  ]
}

const isNear = ({ n, d }: Exact): boolean => {
  const whole = n < 0n ? -n : n
  return whole * NO_DIFFERENCE.d < d * NO_DIFFERENCE.n
}

/** What is left over has a price of its own, which is no other price of what was planned. */
function withPriceOfLeftOver(causes: readonly Cause[]): readonly Cause[] {
  const left = causes.find(({ code }) => code === 'left-over')
  if (!left) return causes
  const isPrice = ({ code }: Cause): boolean => code === 'price' || code === 'discount'
  const amount = causes.filter(isPrice).reduce((sum, cause) => add(sum, cause.amount), left.amount)
  return causes
    .filter((cause) => !isPrice(cause))
    .map((cause) => (cause === left ? { ...left, amount } : cause))
}

const canBeLeft = (meter: MeterClass): boolean =>
  meter === 'disk' || meter === 'address' || meter === 'snapshot'

/** It stayed after the last day for which the plan has it, and after the machine itself. */
function isLeftOver(
  meter: MeterClass,
  days: readonly Day[],
  differing: readonly Day[],
  on: ReadonlySet<string>,
): boolean {
  if (!canBeLeft(meter)) return false
  const last = days.findLast(({ planned }) => !isZero(planned))?.day
  return (
    last !== undefined &&
    differing.some(({ day }) => day > last && !on.has(day)) &&
    differing.every(({ day, planned, billed }) => day >= last && sign(subtract(billed, planned)) > 0)
  )
}

/** Over the days on which it cost otherwise. */
function pricesOn(
  days: readonly Day[],
  plans: ReadonlyMap<string, Uses>,
  bills: ReadonlyMap<string, Uses>,
  average: Exact,
): Cause['prices'] {
  const over = (side: ReadonlyMap<string, Uses>): Exact | undefined => {
    const uses = days.flatMap(({ day }) => [...(side.get(day)?.values() ?? [])])
    const sum = (field: 'quantity' | 'cost'): Exact =>
      uses.reduce((total, use) => add(total, use[field]), ZERO)
    const quantity = sum('quantity')
    return isZero(quantity) ? undefined : divide(sum('cost'), quantity)
  }
  const billed = over(bills)
  return billed && { planned: over(plans) ?? average, billed }
}

function usesByDay(
  lines: readonly MeasuredLine[],
  dayOf: (line: MeasuredLine) => string,
  known: readonly Exact[],
  collect?: Map<string, Exact>,
): Map<string, Uses> {
  const days = new Map<string, Uses>()
  for (const line of lines) {
    const day = dayOf(line)
    let uses = days.get(day)
    if (!uses) days.set(day, (uses = new Map()))
    addUse(uses, priceOfLine(line, known), line)
  }
  if (collect) {
    for (const uses of days.values()) for (const [key, { price }] of uses) collect.set(key, price)
  }
  return days
}

const quantityOf = (uses: Uses): Exact =>
  [...uses.values()].reduce((sum, { quantity }) => add(sum, quantity), ZERO)

const costOf = (lines: readonly MeasuredLine[]): Exact =>
  lines.reduce((sum, { line }) => add(sum, line.effective), ZERO)
