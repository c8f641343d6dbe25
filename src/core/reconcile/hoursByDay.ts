import { focusUnit } from '../bill/focusUnit.ts'
import type { BillLine } from '../bill/billLine.ts'
import { add, compare, divide, isZero, multiply, ZERO, type Exact } from '../quantity/exact.ts'
import type { Seconds } from '../quantity/units.ts'
import { measured } from './measured.ts'
import { meterClass } from './meterClass.ts'

/** vCPU, cores and GiB that lines count for an hour of a machine, so that their hours can be told. */
export function thingsPerHour(lines: readonly BillLine[]): ReadonlyMap<string, Exact> {
  const found = new Map<string, Exact>()
  for (const { pricingUnit, quantity, consumed, consumedUnit } of lines) {
    const unit = focusUnit(pricingUnit)
    if (unit?.thing === undefined || unit.time !== 'Hour' || consumedUnit !== 'Hours') continue
    if (isZero(consumed) || isZero(quantity)) continue
    found.set(`${unit.thing}-time`, divide(quantity, consumed))
  }
  return found
}

/** What is paid ahead or committed is charged whether the machine is there or not. */
export const isUsed = ({ pricing, commitmentStatus }: BillLine): boolean =>
  pricing !== 'Committed' || commitmentStatus === 'Used'

const AN_HOUR: Exact = { n: 3_600n, d: 1n }

/**
 * Seconds of machine time by day, of one machine’s lines. What is charged side by side, for vCPU and for memory, is the same
 * time: the longest of them counts. Lines of more than a day have none.
 */
export function hoursByDay(
  lines: readonly BillLine[],
  month: Seconds,
  things: ReadonlyMap<string, Exact> = thingsPerHour(lines),
): Map<string, Exact> {
  const byUnit = new Map<string, Map<string, Exact>>()
  for (const line of lines) {
    if (meterClass(line) !== 'machine-time' || !isUsed(line) || line.day !== line.lastDay) continue
    const time = timeOf(line, month, things)
    if (!time) continue
    const days = byUnit.get(line.pricingUnit) ?? new Map<string, Exact>()
    days.set(line.day, add(days.get(line.day) ?? ZERO, time))
    byUnit.set(line.pricingUnit, days)
  }
  const longest = new Map<string, Exact>()
  for (const days of byUnit.values()) {
    for (const [day, time] of days) {
      const known = longest.get(day)
      if (!known || compare(time, known) > 0) longest.set(day, time)
    }
  }
  return longest
}

function timeOf(line: BillLine, month: Seconds, things: ReadonlyMap<string, Exact>): Exact | undefined {
  const { unit, amount } = measured(line, month)
  if (unit === 'time') return amount
  const each = things.get(unit)
  if (each) return divide(amount, each)
  return line.consumedUnit === 'Hours' ? multiply(line.consumed, AN_HOUR) : undefined
}
