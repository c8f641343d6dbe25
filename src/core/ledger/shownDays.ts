import { localDays } from '../calendar/localDays.ts'
import { dailyCosts, type DailyCost } from '../meter/dailyCosts.ts'
import type { Charge } from '../meter/charge.ts'
import type { Estimate } from '../meter/estimateMachine.ts'
import type { Exact } from '../quantity/exact.ts'
import { layLedger } from './ledger.ts'

/** A day's share of the month to the cent, as the ledger has it. */
export interface ShownDay extends DailyCost {
  readonly shown: Exact
  /** What of each charge falls on the day; charges of which nothing does are left out. */
  readonly charges: readonly { readonly charge: Charge; readonly shown: Exact }[]
}

const PLACES = 2
const CENTS = 10n ** BigInt(PLACES)
const cents = (units: number): Exact => ({ n: BigInt(units), d: CENTS })

/**
 * The month by local days of `timeZone`, with amounts to the cent. They are the sums of the ledger's rows, so that a day
 * reads the same in the month, in its chart and in the ledger, and days add up to the month as it is shown. O(rows).
 */
export function shownDays(estimate: Estimate, timeZone: string): ShownDay[] {
  const { month, charges, currency } = estimate
  const machine = { name: '', provider: '', edition: '', currency, charges }
  const ledger = layLedger([machine], PLACES, localDays(month, timeZone))
  const days = dailyCosts(estimate, timeZone).map((cost) => ({ cost, byLine: new Map<number, number>() }))
  let at = 0
  for (let row = 0; row < ledger.line.length; row += 1) {
    const from = ledger.from[row]!
    // Rows of one charge are in order; the next charge begins anew.
    if (from < days[at]!.cost.span.from) at = 0
    while (at < days.length - 1 && from >= days[at]!.cost.span.to) at += 1
    const { byLine } = days[at]!
    byLine.set(ledger.line[row]!, (byLine.get(ledger.line[row]!) ?? 0) + ledger.shown[row]!)
  }
  return days.map(({ cost, byLine }) => {
    return {
      ...cost,
      shown: cents([...byLine.values()].reduce((sum, units) => sum + units, 0)),
      charges: [...byLine].map(([line, units]) => ({ charge: charges[line]!, shown: cents(units) })),
    }
  })
}
