import type { Machine } from '../machine/plan.ts'
import { compare, ZERO } from '../quantity/exact.ts'
import { SEVERITIES, type Finding, type WatchInputs } from './finding.ts'
import { ACCESS_RULES } from './accessRules.ts'
import { DISK_RULES } from './diskRules.ts'
import { OFF_RULES } from './offRules.ts'
import { PLAN_RULES, RULES_OF_OTHERS } from './planRules.ts'
import { PRICE_RULES } from './priceRules.ts'

const RULES = [...PLAN_RULES, ...ACCESS_RULES, ...OFF_RULES, ...PRICE_RULES, ...DISK_RULES]

export interface WatchList {
  /** The worst first, and of those the dearest. */
  readonly open: readonly Finding[]
  /** Known and meant to be, with the person's note. */
  readonly accepted: readonly (Finding & { readonly note: string })[]
}

/** The mistakes that people make again and again, looked for in one machine. O(rules), once its plates are there. */
export const watchList = (inputs: WatchInputs): WatchList =>
  sortedOut(
    RULES.flatMap((rule) => rule(inputs)),
    inputs.resolved.machine,
  )

/** What each rule finds in a machine by itself, in the order of the rules; undefined for those that look at others too. */
export const foundAlone = (inputs: WatchInputs): FoundAlone =>
  RULES.map((rule) => (RULES_OF_OTHERS.has(rule) ? undefined : rule(inputs)))

export type FoundAlone = readonly (readonly Finding[] | undefined)[]

/** `watchList`, where what is found in the machine by itself is known. */
export const watchListOf = (alone: FoundAlone, inputs: WatchInputs): WatchList =>
  sortedOut(
    RULES.flatMap((rule, i) => alone[i] ?? rule(inputs)),
    inputs.resolved.machine,
  )

function sortedOut(findings: readonly Finding[], { accepted = [] }: Machine): WatchList {
  const notes = new Map(accepted.map(({ finding, note }) => [finding, note]))
  const found = [...findings].sort(byWeight)
  return {
    open: found.filter(({ key }) => !notes.has(key)),
    accepted: found.flatMap((finding) => {
      const note = notes.get(finding.key)
      return note === undefined ? [] : [{ ...finding, note }]
    }),
  }
}

const byWeight = (a: Finding, b: Finding): number =>
  SEVERITIES.indexOf(a.severity) - SEVERITIES.indexOf(b.severity) || compare(b.stake ?? ZERO, a.stake ?? ZERO)
