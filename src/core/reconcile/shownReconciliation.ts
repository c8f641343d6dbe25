import { roundTo } from '../quantity/decimal.ts'
import { add, isZero, subtract, ZERO, type Exact } from '../quantity/exact.ts'
import type { Cause } from './cause.ts'
import type { Reconciliation } from './reconcile.ts'

const isAboutAll = ({ code, of }: Cause): boolean => code === 'rounding' && of === ''
const isApart = ({ code }: Cause): boolean =>
  code === 'tax' || code === 'credit' || code === 'purchase' || code === 'adjustment' || code === 'correction'

/**
 * The same for figures that are shown with so many decimals: both sums are those of the machines as they are shown, as the
 * plan’s own total is, and what that moves is rounding. Causes still add up to the difference exactly.
 */
export function shownReconciliation<Of extends Reconciliation>(of: Of, decimals: number): Of {
  const machines = of.machines.map((machine) => ({
    ...machine,
    planned: roundTo(machine.planned, decimals),
    billed: roundTo(machine.billed, decimals),
  }))
  const sum = (amounts: readonly Exact[]): Exact => amounts.reduce(add, ZERO)
  const planned = sum(machines.map((machine) => machine.planned))
  const apart = of.causes.filter(isApart).map(({ amount }) => roundTo(amount, decimals))
  const billed = sum([...machines.map((machine) => machine.billed), ...apart])
  const moved = subtract(subtract(billed, planned), sum(of.causes.map(({ amount }) => amount)))
  const dust = of.causes.find(isAboutAll)
  const rounding: Cause = {
    code: 'rounding',
    of: '',
    meter: undefined,
    amount: add(dust?.amount ?? ZERO, moved),
  }
  const others = of.causes.filter((cause) => cause !== dust)
  return {
    ...of,
    planned,
    billed,
    machines,
    causes: isZero(rounding.amount) ? others : [...others, rounding],
  }
}
