import type { Keep } from '../machine/needs.ts'
import type { ResolvedMachine } from '../machine/resolveMachine.ts'
import { losesHardware } from './checks/offChecks.ts'

/** What a machine loses each time that it goes off; nothing where it never does. */
export function lostWhenOff(resolved: ResolvedMachine): Keep[] {
  const { machine, size } = resolved
  if (machine.off === 'running') return []
  const gone = losesHardware(resolved)
  const lost: [Keep, boolean][] = [
    ['memory', machine.off !== 'hibernated'],
    ['address', gone && machine.address === 'changing'],
    ['local-disk', gone && size.localDiskGiB !== undefined],
    ['hardware', gone],
  ]
  return lost.filter(([, isLost]) => isLost).map(([what]) => what)
}
