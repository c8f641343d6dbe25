import { localDays, type LocalDay } from '../calendar/localDays.ts'
import { partedCharges } from '../meter/partedCharges.ts'
import { PlanPricing, type PlanPricingInputs } from '../meter/planPricing.ts'
import type { Span } from '../quantity/units.ts'
import { instant } from '../quantity/units.ts'
import { layLedger, type Ledger, type LedgerMachine } from './ledger.ts'

export interface PlanLedgerInputs extends PlanPricingInputs {
  /** Name of the one machine that is asked for; all of them when absent. */
  readonly only?: string | undefined
  /** Rows are cut at the midnights of this zone. */
  readonly byDaysOf?: string | undefined
  /** Charges of time are cut in what was asked for and what leaks. */
  readonly byPart?: boolean
  readonly decimals: number
}

export interface PlanLedger {
  readonly ledger: Ledger
  /** The local days that the months of the plan's providers meet; empty unless asked for. */
  readonly days: readonly LocalDay[]
  /** Names of machines that have no price. */
  readonly unpriced: readonly string[]
}

/** The ledger of a plan or of one of its machines. O(rows). */
export function planLedger({ only, byDaysOf, byPart, decimals, ...inputs }: PlanLedgerInputs): PlanLedger {
  const pricing = new PlanPricing(inputs)
  const machines: LedgerMachine[] = []
  const unpriced: string[] = []
  let month: Span | undefined
  for (const machine of inputs.plan.machines) {
    if (only !== undefined && machine.name !== only) continue
    const result = pricing.of(machine)
    if (!result.ok) {
      unpriced.push(machine.name)
      continue
    }
    const { currency, charges: whole } = result.estimate
    const parted = byPart ? partedCharges(result) : undefined
    const charges = parted ? parted.map(({ charge }) => charge) : whole
    const parts = parted?.map(({ part }) => part)
    const { provider, edition } = result.resolved.index.book
    machines.push({
      name: machine.name,
      provider: provider.name,
      edition,
      currency,
      charges,
      ...(parts && { parts }),
    })
    month = both(month, result.month)
  }
  const days = byDaysOf !== undefined && month ? localDays(month, byDaysOf) : []
  return { ledger: layLedger(machines, decimals, byDaysOf === undefined ? undefined : days), days, unpriced }
}

/** Months of several billing zones begin and end at other instants: the span that holds them all. */
const both = (a: Span | undefined, b: Span): Span =>
  a ? { from: instant(Math.min(a.from, b.from)), to: instant(Math.max(a.to, b.to)) } : b
