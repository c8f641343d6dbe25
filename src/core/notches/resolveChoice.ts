import { applyChoice, type Choice } from '../machine/choice.ts'
import { chosenSize } from '../machine/chosenSize.ts'
import type { ResolvedMachine } from '../machine/resolveMachine.ts'

/**
 * The resolved machine with one decision taken within its provider: only what that decision names is looked up again,
 * so that a plate of a thousand choices costs a thousand look-ups.
 */
export function resolveChoice(resolved: ResolvedMachine, choice: Choice): ResolvedMachine {
  const { index } = resolved
  const machine = applyChoice(resolved.machine, choice)
  switch (choice.decision) {
    case 'size':
    case 'vcpu':
    case 'memory':
      return { ...resolved, machine, size: chosenSize(index.sizes.get(machine.size)!, machine.chosen) }
    case 'place':
      return { ...resolved, machine, region: index.regions.get(choice.region)! }
    case 'terms':
      return { ...resolved, machine, terms: index.terms.get(choice.terms)! }
    case 'image':
      return { ...resolved, machine, image: index.images.get(choice.image)! }
    case 'disk-kind':
      return { ...resolved, machine, systemKind: index.diskKinds.get(choice.kind)! }
    case 'data-disk':
    case 'new-disk':
      return {
        ...resolved,
        machine,
        dataKinds: machine.dataDisks.map(({ kind }) => index.diskKinds.get(kind)!),
      }
    case 'week':
      return { ...resolved, machine, week: choice.week }
    case 'disk-room':
    case 'snapshots':
    case 'address':
    case 'off':
    case 'traffic':
      return { ...resolved, machine }
  }
}
