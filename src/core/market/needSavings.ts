import { needsAsked, withoutNeed, type NeedId } from '../fit/needId.ts'
import type { Needs } from '../machine/needs.ts'
import type { PlatesInputs } from '../notches/plate.ts'
import { subtract, type Exact } from '../quantity/exact.ts'
import { gib } from '../quantity/units.ts'
import type { SearchOptions } from '../search/searchedChoices.ts'
import { cheapestOffers } from './cheapestOffers.ts'
import { fieldOffers } from './fieldOffers.ts'
import type { Market } from './market.ts'
import { withNeeds } from './marketInputs.ts'

export interface NeedSaving {
  readonly need: NeedId
  /** What dropping it alone would make cheaper; undefined where nothing fits with all needs, or without this one either. */
  readonly saved: Exact | undefined
  /** The cheapest month without it. */
  readonly total: Exact | undefined
  /** Where nothing fits with all needs: how many offers fit without this one, and how far it need only be eased. */
  readonly instead?: { readonly fitting: number; readonly eased: EasedNeed | undefined }
}

interface EasedNeed {
  /** In the unit of the need: vCPU, GiB, IOPS, milliseconds. */
  readonly to: number
  readonly total: Exact
}

/** What each need that is asked for costs: the cheapest that fits, less the cheapest that fits without it. */
export function needSavings(
  market: Market,
  inputs: PlatesInputs,
  options: SearchOptions,
  cheapest: Exact | undefined,
): NeedSaving[] {
  const { machine, held } = inputs.resolved
  const { needs } = machine
  return needsAsked(needs, held).map((need) => {
    const without = market.ask(withNeeds(inputs, withoutNeed(needs, need)), options)
    const total = cheapestOffers(without, 1)[0]?.total
    const saved = cheapest && total && subtract(cheapest, total)
    if (cheapest || !total) return { need, total, saved }
    const fitting = fieldOffers(without, 'vcpu', []).count
    return { need, total, saved, instead: { fitting, eased: easedNeed(market, inputs, options, need) } }
  })
}

/** A need that is a number: how it is set, and how far it can be eased, step by step from what is asked. */
interface EasedBy {
  readonly asked: (needs: Needs) => number
  readonly set: (needs: Needs, value: number) => Needs
  /** Less is easier, or more is, up to so much. */
  readonly most?: number
}

const EASED: Partial<Record<NeedId, EasedBy>> = {
  vcpu: { asked: ({ vcpu }) => vcpu, set: (needs, vcpu) => ({ ...needs, vcpu }) },
  memory: {
    asked: ({ memoryGiB }) => memoryGiB,
    set: (needs, value) => ({ ...needs, memoryGiB: gib(value) }),
  },
  iops: { asked: ({ iops }) => iops, set: (needs, iops) => ({ ...needs, iops }) },
  'round-trip': {
    asked: ({ roundTripMs = 0 }) => roundTripMs,
    set: (needs, roundTripMs) => ({ ...needs, roundTripMs }),
    most: 2_000,
  },
}

/** The nearest whole number to what is asked at which something fits; undefined where the need is none, or none does. */
function easedNeed(
  market: Market,
  inputs: PlatesInputs,
  options: SearchOptions,
  need: NeedId,
): EasedNeed | undefined {
  const by = EASED[need]
  if (!by) return undefined
  const { needs } = inputs.resolved.machine
  const cheapestAt = (value: number): Exact | undefined =>
    cheapestOffers(market.ask(withNeeds(inputs, by.set(needs, value)), options), 1)[0]?.total
  // Nothing fits at `tight`, something does at `loose`: what lies between is halved.
  let tight = Math.round(by.asked(needs))
  let loose = by.most ?? 0
  let total = cheapestAt(loose)
  if (!total) return undefined
  while (Math.abs(loose - tight) > 1) {
    const middle = Math.trunc((loose + tight) / 2)
    const found = cheapestAt(middle)
    if (found) [loose, total] = [middle, found]
    else tight = middle
  }
  return { to: loose, total }
}
