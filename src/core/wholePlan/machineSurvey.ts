import type { BookIndex } from '../catalogue/bookIndex.ts'
import { keptFor } from '../keptFor.ts'
import type { Machine } from '../machine/plan.ts'
import type { PlanPricing, PlanPricingInputs, PricedMachine } from '../meter/planPricing.ts'
import type { SharedAccount } from '../meter/sharedAccount.ts'
import { heldInputs } from '../notches/heldInputs.ts'
import { platesBetween, platesOf } from '../notches/plates.ts'
import { isSame } from '../quantity/exact.ts'
import { sameFields } from '../sameFields.ts'
import type { Finding } from '../watch/finding.ts'
import { foundAlone, watchListOf, type FoundAlone } from '../watch/watchList.ts'
import type { AlikeMachines } from './AlikeMachines.ts'
import { bestNotch, type BestNotch } from './bestNotch.ts'
import { machineForm } from '../machine/machineForm.ts'

interface MachineSurvey {
  readonly best: readonly BestNotch[]
  readonly findings: readonly Finding[]
}

export interface KnownSurvey {
  readonly reads: SurveyReads
  readonly best: readonly BestNotch[]
  readonly alone: FoundAlone
}

/** All that a machine's plates and its own findings depend on, but for itself. */
type SurveyReads = ReturnType<typeof readsOf>

/**
 * The plates of a machine and its watch list: worked out anew where anything has changed that they depend on, or where
 * no machine that is the same but for its name has been looked at. Of those that share with others, `alike` knows which
 * have been looked at in this survey, and only what its neighbours among them differ in is. O(choices) then, else O(rules).
 */
export function machineSurvey(
  priced: PricedMachine,
  inputs: PlanPricingInputs,
  pricing: PlanPricing,
  alike: AlikeMachines<KnownSurvey>,
): MachineSurvey {
  const { resolved, estimate, month, account } = priced
  const { machine, index } = resolved
  const { plan } = inputs
  const elsewhere = pricing.elsewhere(index)
  const shown = heldInputs({ resolved, plan, month, shared: account.planned, elsewhere })
  const accounts = [account.planned, account.alwaysOn, ...elsewhere.map(({ shared }) => shared)]
  const reads = readsOf(priced, inputs, accounts)
  const isAlone = !resolved.apart && accounts.every(sharesNothing(machine))
  const form = machineForm(machine)
  const kept = isAlone ? likeOf(index).get(form) : knownOf(machine).survey
  let known = kept && sameFields(kept.reads, reads) ? kept : undefined
  if (!known) {
    const order = account.planned.orders.get(machine.name) ?? 0
    const goesByOrder = !isAlone && !resolved.apart
    const [before, after] = (goesByOrder && alike.around(form, reads, order)) || []
    const between = before && after && platesBetween(shown, before.plates, after.plates)
    const plates = between ?? platesOf(shown)
    const isAsBefore =
      before &&
      after &&
      plates === before.plates &&
      estimate === before.estimate &&
      estimate === after.estimate &&
      sameMoney(before.found.alone, after.found.alone)
    known = isAsBefore
      ? before.found
      : {
          reads,
          best: plates.flatMap((plate) => bestNotch(plate, resolved) ?? []),
          alone: foundAlone({ ...shown, plates, estimate, machines: plan.machines }),
        }
    if (isAlone) remember(likeOf(index), form, known)
    else knownOf(machine).survey = known
    if (goesByOrder) alike.add(form, { reads, order, plates, estimate, found: known })
  }
  const list = watchListOf(mendingThis(known.alone, machine), {
    ...shown,
    plates: [],
    estimate,
    machines: plan.machines,
  })
  return { best: known.best, findings: list.open }
}

function readsOf(
  { resolved, month }: PricedMachine,
  { plan, reading, books }: PlanPricingInputs,
  accounts: readonly (SharedAccount | undefined)[],
) {
  return {
    index: resolved.index,
    week: resolved.week,
    weeks: plan.weeks,
    places: plan.places,
    apart: resolved.apart,
    exchangeRates: plan.exchangeRates,
    from: month.from,
    to: month.to,
    reading,
    books,
    accounts,
  }
}

/** Nothing in it is shared with this machine: it makes no difference which of them stands first, nor what it is called. */
const sharesNothing =
  ({ trafficOutGiB }: Machine) =>
  (account: SharedAccount | undefined): boolean =>
    !account ||
    ((trafficOutGiB === undefined || account.traffic.size === 0) &&
      account.hours.usersOf.size === 0 &&
      account.room.usersOf.size === 0)

/** Like the totals of plates, what is found costs the same between two where it does at both. */
const sameMoney = (a: FoundAlone, b: FoundAlone): boolean =>
  a === b ||
  a.every((findings, i) => {
    const others = b[i] ?? []
    return (
      (findings ?? []).length === others.length &&
      (findings ?? []).every(
        ({ key, stake, mend }, at) =>
          key === others[at]!.key &&
          isSame(stake, others[at]!.stake) &&
          isSame(mend?.difference, others[at]!.mend?.difference),
      )
    )
  })

const knownOf = keptFor<Machine, { survey?: KnownSurvey }>(() => ({}))

/** Of machines of one price book, by what they are. */
const likeOf = keptFor<BookIndex, Map<string, KnownSurvey>>(() => new Map())
const MOST_KEPT = 10_000

function remember(known: Map<string, KnownSurvey>, text: string, survey: KnownSurvey): void {
  if (known.size >= MOST_KEPT) known.clear()
  known.set(text, survey)
}

/** What mends a machine that is the same mends this one, which keeps what it is called and what was noted of it. */
function mendingThis(alone: FoundAlone, { name, purpose, variants, accepted }: Machine): FoundAlone {
  const own = { name, purpose, ...(variants && { variants }), ...(accepted && { accepted }) }
  const mended = ({ variants: _, accepted: __, ...other }: Machine): Machine => ({ ...other, ...own })
  return alone.map((findings) =>
    findings?.map((finding) => {
      const { mend } = finding
      return mend && mend.machine.name !== name
        ? { ...finding, mend: { ...mend, machine: mended(mend.machine) } }
        : finding
    }),
  )
}
