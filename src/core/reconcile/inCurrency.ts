import { add, compare, multiply, ZERO, type Exact } from '../quantity/exact.ts'
import type { Cause } from './cause.ts'
import { size } from './dust.ts'
import type { MachineDifference, Reconciliation } from './reconcile.ts'

export interface ReconciledCurrency extends Reconciliation {
  readonly currency: string
}

/**
 * Those that `rateTo` knows a rate for as one, in the currency `to`; the others as they are, after it. Their causes are
 * those of all, by size. O(causes + machines).
 */
export function inCurrency(
  all: readonly ReconciledCurrency[],
  to: string,
  rateTo: (from: string) => Exact | undefined,
): ReconciledCurrency[] {
  const rated = all.flatMap((each) => {
    const rate = rateTo(each.currency)
    return rate ? [converted(each, rate)] : []
  })
  const others = all.filter(({ currency }) => !rateTo(currency))
  if (rated.length === 0) return others
  const sum = (read: (each: Reconciliation) => Exact): Exact =>
    rated.reduce((total, each) => add(total, read(each)), ZERO)
  return [
    {
      currency: to,
      planned: sum(({ planned }) => planned),
      billed: sum(({ billed }) => billed),
      unexplained: sum(({ unexplained }) => unexplained),
      causes: joinRounding(rated.flatMap(({ causes }) => causes)).sort((a, b) =>
        compare(size(b.amount), size(a.amount)),
      ),
      machines: rated.flatMap(({ machines }) => machines),
    },
    ...others,
  ]
}

function converted<Of extends Reconciliation>(of: Of, rate: Exact): Of {
  const times = (amount: Exact): Exact => multiply(amount, rate)
  return {
    ...of,
    planned: times(of.planned),
    billed: times(of.billed),
    unexplained: times(of.unexplained),
    causes: of.causes.map((cause) => convertedCause(cause, times)),
    machines: of.machines.map((machine): MachineDifference => ({
      ...machine,
      planned: times(machine.planned),
      billed: times(machine.billed),
    })),
  }
}

/** Prices are those of the bill, in its own currency. */
const convertedCause = (cause: Cause, times: (amount: Exact) => Exact): Cause => ({
  ...cause,
  amount: times(cause.amount),
  ...(cause.parts && { parts: cause.parts.map((part) => ({ ...part, amount: times(part.amount) })) }),
})

/** Roundings that are about nothing in particular are one. */
function joinRounding(causes: readonly Cause[]): Cause[] {
  const isDustOf = ({ code, of }: Cause): boolean => code === 'rounding' && of === ''
  const dust = causes.filter(isDustOf)
  const others = causes.filter((cause) => !isDustOf(cause))
  const [first] = dust
  return first
    ? [...others, { ...first, amount: dust.reduce((sum, { amount }) => add(sum, amount), ZERO) }]
    : others
}
