import type { BillingMonth } from '../calendar/billingMonth.ts'
import { endsAtShutdown } from '../calendar/autoShutdown.ts'
import { changeTimes } from '../catalogue/changeTimes.ts'
import { shutdownState } from '../catalogue/statesSold.ts'
import { ALWAYS, lifeOf } from '../machine/life.ts'
import { restoredGiB } from '../machine/snapshots.ts'
import type { ResolvedMachine } from '../machine/resolveMachine.ts'
import { livedTimeline, type Lived } from '../power/livedTimeline.ts'
import { monthTimeline, timelineOf } from '../power/monthTimeline.ts'
import type { OffState, PowerState } from '../off/powerState.ts'
import type { ShutdownOff, WayOff, WaysOff } from '../power/timeline.ts'
import { add, ZERO, type Exact } from '../quantity/exact.ts'
import { seconds, type Span } from '../quantity/units.ts'
import { addressCharges, memoryImageCharges } from './addressCharges.ts'
import type { Charge, Meter, MissingPrice } from './charge.ts'
import { computeCharges } from './computeCharges.ts'
import { diskCharges } from './diskCharges.ts'
import { licenceCharges } from './licenceCharges.ts'
import { meteredMonth, type MeteredMonth } from './meteredMonth.ts'
import type { SharedAccount } from './sharedAccount.ts'
import { snapshotCharges } from './snapshotCharges.ts'
import { trafficCharges } from './trafficCharges.ts'

/** When each meter of this machine runs in the month. The book must have the machine's states when off. */
export function meterMachine(resolved: ResolvedMachine, month: Span): MeteredMonth {
  const { ways, shutdown, lived } = waysOff(resolved)
  const timeline = monthTimeline(resolved.week, ways, month, shutdown)
  return meteredMonth(lived ? livedTimeline(timeline, lived) : timeline, resolved.index.book)
}

/** The same, if the machine were on at other times than its week says. */
export function meterOn(resolved: ResolvedMachine, on: readonly Span[], month: Span): MeteredMonth {
  const { ways, shutdown, lived } = waysOff(resolved)
  const timeline = timelineOf(on, ways, month, shutdown)
  return meteredMonth(lived ? livedTimeline(timeline, lived) : timeline, resolved.index.book)
}

/** How the machine is off in a gap: by its length, and by the auto-shutdown that begins it. */
interface GapWays {
  readonly ways: WaysOff
  readonly shutdown: ShutdownOff | undefined
  /** Where it has a first or a last day. */
  readonly lived: Lived | undefined
}

const waysMemo = new WeakMap<ResolvedMachine, GapWays>()

/** A pure memo, since every month asks. */
function waysOff(resolved: ResolvedMachine): GapWays {
  let ways = waysMemo.get(resolved)
  if (!ways) waysMemo.set(resolved, (ways = readWaysOff(resolved)))
  return ways
}

function readWaysOff(resolved: ResolvedMachine): GapWays {
  const { machine, index, size, week } = resolved
  const into = (off: OffState) => ({
    off,
    changes: changeTimes(index.book, off, size.memoryGiB, restoredGiB(resolved)),
    isCharged: isRunCharged(resolved, off),
  })
  const way = (fromMinutes: number, off: OffState): WayOff => ({
    from: seconds(fromMinutes * 60),
    ...into(off),
  })
  const { off, longGaps = [] } = machine
  const shut = shutdownState(week, index.book)
  const life = lifeOf(machine, week)
  return {
    ways: [way(0, off), ...longGaps.map((long) => way(long.fromMinutes, long.off))],
    shutdown: shut && { ...into(shut), ends: (run) => endsAtShutdown(week, run) },
    lived: life === ALWAYS ? undefined : { ...life, leave: into('deleted').changes.leave },
  }
}

/** Whether a run goes on through a state: by machine time or a licence. A flat plan is charged while there is a machine. */
function isRunCharged({ index, terms }: ResolvedMachine, state: PowerState): boolean {
  const row = index.book.states[state]
  return (terms.kind === 'flat' && state !== 'deleted') || row?.compute === true || row?.licence === true
}

/** Charges of one part of a machine, or the price that is missing. */
export type ChargedPart = (
  resolved: ResolvedMachine,
  metered: MeteredMonth,
  month: BillingMonth,
  shared: SharedAccount | undefined,
) => Charge[] | MissingPrice

const HARDWARE: readonly ChargedPart[] = [computeCharges, licenceCharges, memoryImageCharges, trafficCharges]
const BELONGINGS: readonly ChargedPart[] = [diskCharges, snapshotCharges, addressCharges]
const PARTS = [...HARDWARE, ...BELONGINGS]

/** What follows from the size, its terms and the image: machine time, licences, memory on disk, traffic. */
export const chargeHardware: ChargedPart = (...inputs) => allOf(HARDWARE, inputs)

/** What the machine has beside its hardware: disks, snapshots, the address. */
export const chargeBelongings: ChargedPart = (...inputs) => allOf(BELONGINGS, inputs)

function allOf(parts: readonly ChargedPart[], inputs: Parameters<ChargedPart>): Charge[] | MissingPrice {
  const charges: Charge[] = []
  for (const part of parts) {
    const own = part(...inputs)
    if ('code' in own) return own
    for (const charge of own) charges.push(charge)
  }
  return charges
}

/** The order in which a bill is read. */
const BILL_ORDER: readonly Meter[] = [
  'compute',
  'commitment',
  'licence',
  'disk',
  'snapshot',
  'restore',
  'address',
  'memory-image',
  'traffic',
]

/**
 * Every charge of one machine for one month, in the order in which a bill is read; the one calculation behind every
 * figure. `shared` is what the account's machines use together; without it the machine has the account to itself and
 * no free allowance. O(disks + pieces of thresholds) once the week is metered.
 */
export const chargeMachine: ChargedPart = (...inputs) => {
  const charges = allOf(PARTS, inputs)
  if ('code' in charges) return charges
  const rank = ({ meter }: Charge): number => BILL_ORDER.indexOf(meter)
  return charges.sort((a, b) => rank(a) - rank(b))
}

export function totalOf(charges: readonly Charge[]): Exact {
  let total = ZERO
  for (const { amount } of charges) total = add(total, amount)
  return total
}

/** The total of those charges, where nobody reads them one by one. */
export function chargedTotal(...inputs: Parameters<ChargedPart>): Exact | MissingPrice {
  let total = ZERO
  for (const part of PARTS) {
    const own = part(...inputs)
    if ('code' in own) return own
    total = add(total, totalOf(own))
  }
  return total
}
