import { billNumber } from '../bill/billNumber.ts'
import type { BillLine } from '../bill/billLine.ts'
import {
  add,
  compare,
  divide,
  isZero,
  multiply,
  sign,
  subtract,
  ZERO,
  type Exact,
} from '../quantity/exact.ts'
import type { Seconds } from '../quantity/units.ts'
import type { Cause, DayDifference } from './cause.ts'
import { isDust, size } from './dust.ts'
import { measured } from './measured.ts'
import type { MeterClass } from './meterClass.ts'

/** What was used in a day or in all, and what it cost. */
interface Use {
  quantity: Exact
  cost: Exact
  /** Quantity at the unit price that is written; the cost where none is. */
  listed: Exact
  rows: number
}

interface Side {
  readonly lines: readonly BillLine[]
  readonly days: ReadonlyMap<string, Use>
  readonly all: Use
  /** Some of it is about more than a day. */
  readonly isLong: boolean
}

const NOTHING: Use = { quantity: ZERO, cost: ZERO, listed: ZERO, rows: 0 }
const WHOLE = ''
/** The most that rounding to a hundredth changes a row. */
const HALF_A_CENT: Exact = { n: 1n, d: 200n }

/**
 * One meter of one machine, unit by unit. A day’s difference is what was used more, at the planned price, and what was used
 * cost more: (b − p) × price, and the rest. What rounding explains of the rest, by the price that the bill writes, is
 * rounding. Units that only one side has cannot be compared: where both have such, the difference is unexplained.
 */
export function explainMeter(
  of: string,
  meter: MeterClass,
  planned: readonly BillLine[],
  billed: readonly BillLine[],
  month: Seconds,
): Cause[] {
  const [before, after] = [sidesOf(planned, month), sidesOf(billed, month)]
  const causes = [...before].flatMap(([unit, plan]) => {
    const bill = after.get(unit)
    return bill ? compareUses(of, meter, unit, plan, bill) : []
  })
  const alone = (sides: ReadonlyMap<string, Side>, others: ReadonlyMap<string, Side>): BillLine[] =>
    [...sides].flatMap(([unit, { lines }]) => (others.has(unit) ? [] : lines))
  const [onlyPlanned, onlyBilled] = [alone(before, after), alone(after, before)]
  const amount = subtract(costOf(onlyBilled), costOf(onlyPlanned))
  if (onlyPlanned.length > 0 && onlyBilled.length > 0) {
    return [...causes, { code: 'unexplained', of, meter, amount }]
  }
  if (onlyPlanned.length > 0) return [...causes, { code: 'not-billed', of, meter, amount }]
  return onlyBilled.length > 0 ? [...causes, { code: 'not-planned', of, meter, amount }] : causes
}

function compareUses(of: string, meter: MeterClass, unit: string, before: Side, after: Side): Cause[] {
  const isLong = before.isLong || after.isLong
  const days = isLong ? [WHOLE] : [...new Set([...before.days.keys(), ...after.days.keys()])].sort()
  const useOn = (side: Side, day: string): Use => (isLong ? side.all : (side.days.get(day) ?? NOTHING))
  const whole = priceOf(before.all) ?? priceOf(after.all) ?? ZERO
  let [more, dearer, rounded] = [ZERO, ZERO, ZERO]
  const differing: DayDifference[] = []
  const dearerDays: string[] = []
  for (const day of days) {
    const [plan, bill] = [useOn(before, day), useOn(after, day)]
    const used = multiply(subtract(bill.quantity, plan.quantity), priceOf(plan) ?? whole)
    const rest = subtract(subtract(bill.cost, plan.cost), used)
    const rounding = subtract(bill.cost, bill.listed)
    const isRounded = compare(size(rounding), multiply(HALF_A_CENT, { n: BigInt(bill.rows), d: 1n })) <= 0
    const price = isRounded ? subtract(rest, rounding) : rest
    if (isRounded) rounded = add(rounded, rounding)
    if (isDust(price)) rounded = add(rounded, price)
    else {
      dearer = add(dearer, price)
      dearerDays.push(day)
    }
    if (isDust(used)) rounded = add(rounded, used)
    else {
      more = add(more, used)
      differing.push({ day, planned: plan.quantity, billed: bill.quantity })
    }
  }
  const isTime = meter === 'machine-time' || meter === 'licence'
  const usedCode = !isTime ? 'quantity' : sign(more) < 0 ? 'less-time' : 'more-time'
  const prices = pricesOn(dearerDays, before, after, useOn)
  const since = dearerDays.find((day) => day !== WHOLE)
  const byDay = isLong ? [] : differing
  const all: Cause[] = [
    { code: usedCode, of, meter, amount: more, unit, ...(byDay.length > 0 && { days: byDay }) },
    { code: 'price', of, meter, amount: dearer, unit, ...(prices && { prices }), ...(since && { since }) },
    { code: 'rounding', of, meter, amount: rounded, unit },
  ]
  return all.filter(({ amount }) => !isZero(amount))
}

/** Over the days on which it cost otherwise. */
function pricesOn(
  days: readonly string[],
  before: Side,
  after: Side,
  useOn: (side: Side, day: string) => Use,
): Cause['prices'] {
  const over = (side: Side): Exact | undefined => {
    const uses = days.map((day) => useOn(side, day))
    const sum = (field: 'quantity' | 'cost'): Exact =>
      uses.reduce((total, use) => add(total, use[field]), ZERO)
    return priceOf({ ...NOTHING, quantity: sum('quantity'), cost: sum('cost') })
  }
  const [planned, billed] = [over(before), over(after)]
  return planned && billed && { planned, billed }
}

const priceOf = ({ quantity, cost }: Use): Exact | undefined =>
  isZero(quantity) ? undefined : divide(cost, quantity)

const costOf = (lines: readonly BillLine[]): Exact =>
  lines.reduce((sum, { effective }) => add(sum, effective), ZERO)

/** By unit. */
function sidesOf(lines: readonly BillLine[], month: Seconds): Map<string, Side> {
  const byUnit = new Map<string, { line: BillLine; amount: Exact }[]>()
  for (const line of lines) {
    const { unit, amount } = measured(line, month)
    const own = byUnit.get(unit)
    if (own) own.push({ line, amount })
    else byUnit.set(unit, [{ line, amount }])
  }
  return new Map([...byUnit].map(([unit, own]) => [unit, sideOf(own)]))
}

function sideOf(own: readonly { readonly line: BillLine; readonly amount: Exact }[]): Side {
  const days = new Map<string, Use>()
  const all: Use = { ...NOTHING }
  for (const { line, amount } of own) {
    const day = days.get(line.day) ?? { ...NOTHING }
    const unitPrice = billNumber(line.unitPrice)
    for (const use of [day, all]) {
      use.quantity = add(use.quantity, amount)
      use.cost = add(use.cost, line.effective)
      use.listed = add(use.listed, unitPrice ? multiply(unitPrice, line.quantity) : line.effective)
      use.rows += line.rows
    }
    days.set(line.day, day)
  }
  const lines = own.map(({ line }) => line)
  return { lines, days, all, isLong: lines.some(({ day, lastDay }) => day !== lastDay) }
}
