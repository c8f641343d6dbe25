import type { Keep } from '../machine/needs.ts'
import type { ResolvedMachine } from '../machine/resolveMachine.ts'
import { afterShutdown, inEachState, losesHardware } from './offChecks.ts'

/** What a machine loses each time that it goes off; nothing where it never does. */
export const lostWhenOff = (resolved: ResolvedMachine): Keep[] =>
  lostIn(resolved, [...inEachState(resolved), afterShutdown(resolved) ?? []].flat())

/** The same of its own states alone, whatever an auto-shutdown does. */
export const lostByItself = (resolved: ResolvedMachine): Keep[] => lostIn(resolved, inEachState(resolved))

function lostIn({ machine, size }: ResolvedMachine, all: readonly ResolvedMachine[]): Keep[] {
  const states = all.filter((each) => each.machine.off !== 'running')
  if (states.length === 0) return []
  const gone = states.some(losesHardware)
  const lost: [Keep, boolean][] = [
    ['memory', states.some((each) => each.machine.off !== 'hibernated')],
    ['address', gone && machine.address === 'changing'],
    ['local-disk', gone && size.localDiskGiB !== undefined],
    ['hardware', gone],
  ]
  return lost.filter(([, isLost]) => isLost).map(([what]) => what)
}
