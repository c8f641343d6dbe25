import { fitReasons } from '../fit/fitReasons.ts'
import { applyChoice } from '../decisions/choice.ts'
import { carryOver } from '../carry/carryOver.ts'
import { keptDecisions } from '../decisions/keptDecisions.ts'
import type { Carried, Notch, PlatesInputs } from './plate.ts'

/**
 * What else would have to change for a choice that does not fit by itself: as little as makes it fit, and nothing that
 * is pinned. Undefined where that is not enough, as where the choice lacks what is needed. For one choice at a time:
 * places are carried over when their plate is made.
 */
export function mendNotch({ resolved, plan }: PlatesInputs, { choice, carried }: Notch): Carried | undefined {
  if (carried || choice.decision === 'place') return carried
  const { machine, size, index } = resolved
  return carryOver(applyChoice(machine, choice), plan, index, {
    like: size,
    kept: keptDecisions(machine, choice.decision),
    tolerated: new Set(fitReasons(resolved).map(({ code }) => code)),
  })
}

/** The same where what the machine has now may go this once: for a person who has read what is lost. */
export function mendLettingGo(inputs: PlatesInputs, notch: Notch): Carried | undefined {
  const { held: _, ...plan } = inputs.plan
  return mendNotch({ ...inputs, resolved: { ...inputs.resolved, held: undefined }, plan }, notch)
}
