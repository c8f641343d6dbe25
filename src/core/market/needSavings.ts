import { needsAsked, withoutNeed, type NeedId } from '../fit/needId.ts'
import type { PlatesInputs } from '../notches/plate.ts'
import { subtract, type Exact } from '../quantity/exact.ts'
import type { SearchOptions } from '../search/searchedChoices.ts'
import { cheapestOffers } from './cheapestOffers.ts'
import type { Market } from './market.ts'
import { withNeeds } from './marketInputs.ts'

export interface NeedSaving {
  readonly need: NeedId
  /** What dropping it alone would make cheaper; undefined where nothing fits without it either. */
  readonly saved: Exact | undefined
  /** The cheapest month without it. */
  readonly total: Exact | undefined
}

/** What each need that is asked for costs: the cheapest that fits, less the cheapest that fits without it. */
export function needSavings(
  market: Market,
  inputs: PlatesInputs,
  options: SearchOptions,
  cheapest: Exact | undefined,
): NeedSaving[] {
  const { needs } = inputs.resolved.machine
  return needsAsked(needs).map((need) => {
    const without = market.ask(withNeeds(inputs, withoutNeed(needs, need)), options)
    const total = cheapestOffers(without, 1)[0]?.total
    return { need, total, saved: cheapest && total && subtract(cheapest, total) }
  })
}
