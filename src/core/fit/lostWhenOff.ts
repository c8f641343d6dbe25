import type { Keep } from '../machine/needs.ts'
import type { ResolvedMachine } from '../machine/resolveMachine.ts'
import { inEachState, losesHardware } from './checks/offChecks.ts'

/** What a machine loses each time that it goes off; nothing where it never does. */
export function lostWhenOff(resolved: ResolvedMachine): Keep[] {
  const { machine, size } = resolved
  const states = inEachState(resolved).filter((each) => each.machine.off !== 'running')
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
