import { compare, ZERO } from '../quantity/exact.ts'
import { SEVERITIES, type Finding, type WatchInputs } from './finding.ts'
import { ACCESS_RULES } from './accessRules.ts'
import { DISK_RULES } from './diskRules.ts'
import { OFF_RULES } from './offRules.ts'
import { PLAN_RULES } from './planRules.ts'
import { PRICE_RULES } from './priceRules.ts'

const RULES = [...PLAN_RULES, ...ACCESS_RULES, ...OFF_RULES, ...PRICE_RULES, ...DISK_RULES]

export interface WatchList {
  /** The worst first, and of those the dearest. */
  readonly open: readonly Finding[]
  /** Known and meant to be, with the person's note. */
  readonly accepted: readonly (Finding & { readonly note: string })[]
}

/** The mistakes that people make again and again, looked for in one machine. O(rules), once its plates are there. */
export function watchList(inputs: WatchInputs): WatchList {
  const { accepted = [] } = inputs.resolved.machine
  const notes = new Map(accepted.map(({ finding, note }) => [finding, note]))
  const found = RULES.flatMap((rule) => rule(inputs)).sort(byWeight)
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
