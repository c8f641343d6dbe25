import { weekSpans } from '../calendar/weekSpans.ts'
import { diskReach } from '../fit/diskReach.ts'
import type { ResolvedMachine } from '../machine/resolveMachine.ts'
import { lengthOf, SECONDS_PER_HOUR, type Span } from '../quantity/units.ts'

/** What another form of a machine has more (above zero) or less of, or what it is that this one is not. */
export type FigureDifference =
  | { readonly of: 'vcpu' | 'memory' | 'iops' | 'throughput' | 'room' | 'hours'; readonly by: number }
  | { readonly of: 'architecture'; readonly is: string }
  | { readonly of: 'cores'; readonly are: 'shared' | 'own' }

/**
 * Figures in which two forms of a machine differ, the weightiest first: vCPU, GiB of memory, how it is built, IOPS and
 * MB/s that its disks reach, GiB of disks, hours of the month that its week has. What the book does not know of either
 * is left out. O(disks + spans of the weeks).
 */
export function figureDifferences(
  now: ResolvedMachine,
  then: ResolvedMachine,
  month: Span,
): FigureDifference[] {
  const [before, after] = [diskReach(now), diskReach(then)]
  const found: (FigureDifference | undefined)[] = [
    differing('vcpu', now.size.vcpu, then.size.vcpu),
    differing('memory', now.size.memoryGiB, then.size.memoryGiB),
    isOther(now.size.architecture, then.size.architecture)
      ? { of: 'architecture', is: then.size.architecture! }
      : undefined,
    Boolean(now.size.sharedCore) === Boolean(then.size.sharedCore)
      ? undefined
      : { of: 'cores', are: then.size.sharedCore ? 'shared' : 'own' },
    differing('iops', before.iops.reached, after.iops.reached),
    differing('throughput', before.throughput.reached, after.throughput.reached),
    differing('room', roomOf(now), roomOf(then)),
    now.week === then.week ? undefined : differing('hours', hoursIn(now, month), hoursIn(then, month)),
  ]
  return found.filter((each) => each !== undefined)
}

type Counted = Extract<FigureDifference, { by: number }>['of']

const differing = (
  of: Counted,
  from: number | undefined,
  to: number | undefined,
): FigureDifference | undefined =>
  from === undefined || to === undefined || from === to ? undefined : { of, by: to - from }

const isOther = (from: string | undefined, to: string | undefined): boolean =>
  from !== undefined && to !== undefined && from !== to

const roomOf = ({ machine }: ResolvedMachine): number =>
  [machine.systemDisk, ...machine.dataDisks].reduce((sum, { roomGiB }) => sum + roomGiB, 0)

const hoursIn = ({ week }: ResolvedMachine, month: Span): number =>
  weekSpans(week, month).reduce(
    (sum, { from, to }) => sum + lengthOf({ from: max(from, month.from), to: min(to, month.to) }),
    0,
  ) / SECONDS_PER_HOUR

const max = (a: Span['from'], b: Span['from']): Span['from'] => (a > b ? a : b)
const min = (a: Span['from'], b: Span['from']): Span['from'] => (a < b ? a : b)
