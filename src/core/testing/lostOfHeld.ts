import { heldBy, losesData, roomHeld } from '../machine/heldBy.ts'
import { disksOf, type ResolvedMachine } from '../machine/resolveMachine.ts'
import { statesWhenOff } from '../machine/whenOff.ts'

/** What another form would lose of what nobody has said may go, told by looking at both. */
export function lostOfHeld(now: ResolvedMachine, then: ResolvedMachine): string[] {
  const { disks, architecture, interruption, data } = now.machine.needs
  const rooms = (of: ResolvedMachine): number[] =>
    disksOf(of)
      .slice(1)
      .map((each) => roomHeld(each, of))
      .sort((a, b) => b - a)
  const [before, after] = [rooms(now), rooms(then)]
  const system = (of: ResolvedMachine): number => roomHeld(disksOf(of)[0]!, of)
  const isSmaller = system(then) < system(now) || before.some((room, i) => (after[i] ?? 0) < room)
  const isBuiltOtherwise =
    then.size.architecture !== undefined && then.size.architecture !== now.size.architecture
  return [
    ...(disks !== 'any' && isSmaller ? ['disks'] : []),
    ...(architecture === undefined && isBuiltOtherwise ? ['architecture'] : []),
    ...(interruption !== 'any' && then.terms.kind === 'spot' && now.terms.kind !== 'spot'
      ? ['interruption']
      : []),
    ...(data !== 'any' && heldBy(now).keepsData && statesWhenOff(then).some((off) => losesData(then, off))
      ? ['data']
      : []),
  ]
}
