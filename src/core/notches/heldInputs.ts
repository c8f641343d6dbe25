import { heldBy } from '../machine/heldBy.ts'
import type { PlatesInputs } from './plate.ts'

/**
 * The same question with what the machine has now among what it must have: every choice, offer and suggestion is looked
 * for by this, so that none loses what nobody has said may go.
 */
export function heldInputs(inputs: PlatesInputs): PlatesInputs {
  const held = heldBy(inputs.resolved)
  return { ...inputs, resolved: { ...inputs.resolved, held }, plan: { ...inputs.plan, held } }
}
