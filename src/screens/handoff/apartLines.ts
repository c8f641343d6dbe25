import { faultDomainOf } from '../../core/fit/apartChecks.ts'
import type { ResolvedMachine } from '../../core/machine/resolveMachine.ts'
import { apartGroupText } from '../../wording/apart.ts'

/** What whoever creates the machine must know of those that it may not fall with: asked, and answered. */
export function apartLines(resolved: ResolvedMachine): (readonly [ask: string, answer: string])[] {
  const { apart, machine } = resolved
  if (!machine.needs.apart || !apart) return []
  const domain = faultDomainOf(resolved)
  const others = apart.others.map(({ name, region, zone }) => `${name} (${region}, zone ${zone})`)
  return [
    ...(domain === undefined ? [] : [['Fault domain', domain] as const]),
    ['Kept apart', `“${apart.group.name}”: ${apartGroupText(apart.group, apart.sharesNothing)}`],
    ['Kept apart from', others.length > 0 ? others.join(', ') : 'no other machine yet'],
  ]
}
