import { cutWindows } from '../calendar/cutWindows.ts'
import { weekSpans } from '../calendar/weekSpans.ts'
import { hourByState } from '../meter/hourByState.ts'
import {
  compare,
  divide,
  exact,
  multiply,
  negate,
  subtract,
  toNumber,
  ZERO,
  type Exact,
} from '../quantity/exact.ts'
import { instant, lengthOf, SECONDS_PER_DAY, SECONDS_PER_HOUR, seconds } from '../quantity/units.ts'
import { machineTotal } from '../meter/machineTotal.ts'
import { statesWhenOff, withOff } from '../machine/whenOff.ts'
import { isNeverOff, offIn } from '../off/offPlan.ts'
import { givesHardwareBack, type PowerState } from '../off/powerState.ts'
import { cheapestHour } from './cheapestHour.ts'
import type { WatchInputs, WatchRule } from './finding.ts'
import { mendBy, saves } from './mendBy.ts'

const hourIn = ({ resolved, month }: WatchInputs, state: string) =>
  hourByState(resolved, month).find((hour) => hour.state === state)

const perHours = (amount: Exact, span: number) =>
  divide(multiply(amount, exact(span)), exact(SECONDS_PER_HOUR))

const trueOffStates = ({ resolved }: WatchInputs): PowerState[] =>
  statesWhenOff(resolved).filter((off) => off !== 'running')

/** Switched off, and the hardware is charged all the same. */
const offStillCharged: WatchRule = (inputs) => {
  const { phases } = inputs.estimate.metered
  const hours = trueOffStates(inputs).map((off) => hourIn(inputs, off))
  const hour = hours.find((each) => each?.stillCharged && phases.get(each.state))
  if (!hour) return []
  const off = hour.state
  const perHour = hour.byMeter.find(({ meter }) => meter === 'compute')?.amount ?? ZERO
  const offFor = phases.get(off) ?? 0
  const mend = mendBy(inputs, 'off', (notch) => saves(notch) && notch.choice.decision === 'off')
  const isFlat = inputs.resolved.terms.kind === 'flat'
  if (perHour.n === 0n) return []
  return [
    {
      key: 'off-still-charged',
      severity: 'warning',
      facts: { code: 'off-still-charged', state: off, perHour, isFlat },
      stake: mend?.difference ? negate(mend.difference) : perHours(perHour, offFor),
      mend,
    },
  ]
}

/** Whether an amount is less than so many hours of the cheapest machine there. */
const isLess = (amount: Exact, hours: number, { index, region }: WatchInputs['resolved']): boolean =>
  compare(amount, perHours(cheapestHour(index, region), seconds(hours * SECONDS_PER_HOUR))) < 0

/** Below these, what stays when off is not worth a line: two weeks of the cheapest machine that is sold there. */
const LEAST_FLOOR_HOURS = 336
const LEAST_FLOOR_SHARE = 0.35

/** What remains however long it is off, where that is a good part of the month. */
const floorWhenOff: WatchRule = (inputs) => {
  const { resolved, month, estimate, shared } = inputs
  const { systemDisk, dataDisks } = resolved.machine
  const [off] = trueOffStates(inputs)
  const hour = off && hourIn(inputs, off)
  if (!hour || hour.stillCharged) return []
  // Priced as a month, since disks can be free, and their freeness shared.
  const never = { ...withOff(resolved, off), week: { ...resolved.week, windows: [], exceptions: [] } }
  const floor = machineTotal(never, month, shared)
  if (!floor) return []
  const share = toNumber(floor) / Math.max(toNumber(estimate.total), 1e-9)
  if (isLess(floor, LEAST_FLOOR_HOURS, resolved) || share < LEAST_FLOOR_SHARE) return []
  const rooms = [systemDisk, ...dataDisks].map(({ roomGiB }) => roomGiB)
  const diskGiB = rooms.reduce((most, room) => (room > most ? room : most))
  const mend = mendBy(inputs, 'disk-room', saves) ?? mendBy(inputs, 'disk-kind', saves)
  return [
    {
      key: 'floor-when-off',
      severity: 'note',
      facts: { code: 'floor-when-off', floor, diskGiB, share },
      stake: floor,
      mend,
    },
  ]
}

/** It goes off, and nothing starts it; or it has hours, and is never switched off outside them. */
const startsAndStops: WatchRule = (inputs) => {
  const { resolved, estimate, month } = inputs
  const { week, machine } = resolved
  if (!isNeverOff(machine)) {
    return week.windows.length > 0
      ? []
      : [{ key: 'never-starts', severity: 'problem', facts: { code: 'never-starts', week: week.name } }]
  }
  const on = weekSpans(week, month).reduce((sum, span) => sum + lengthOf(span), 0)
  const offHours = seconds(lengthOf(month) - on)
  const mend = mendBy(inputs, 'off', saves)
  if (offHours === 0 || !mend?.difference || estimate.total.n === 0n) return []
  return [
    {
      key: 'never-off',
      severity: 'warning',
      facts: { code: 'never-off', week: week.name, offHours },
      stake: negate(mend.difference),
      mend,
    },
  ]
}

/** Five days of the cheapest machine that is sold there. */
const LEAST_LEFT_ON_HOURS = 120
/** Long enough to hold any weekend and its neighbours. */
const LOOK_AT_DAYS = 21

/** What it costs when someone starts it by hand and forgets it until the week starts it again; an auto-shutdown ends it. */
const leftOn: WatchRule = (inputs) => {
  const { resolved, month } = inputs
  const { week, machine } = resolved
  if (week.autoShutdown) return []
  const spans = weekSpans(week, {
    from: month.from,
    to: instant(month.from + LOOK_AT_DAYS * SECONDS_PER_DAY),
  })
  const gaps = spans.slice(1).map(({ from }, i) => from - spans[i]!.to)
  const gap = seconds(gaps.reduce((most, each) => Math.max(most, each), 0))
  const [running, off] = [hourIn(inputs, 'running'), hourIn(inputs, offIn(machine, gap))]
  if (!running || !off || off.state === 'running' || off.stillCharged) return []
  const cost = perHours(subtract(running.amount, off.amount), gap)
  if (isLess(cost, LEAST_LEFT_ON_HOURS, resolved)) return []
  return [{ key: 'left-on', severity: 'note', facts: { code: 'left-on', gap, cost } }]
}

/** Windows of which the auto-shutdown leaves less than half: it starts nothing, so the rest is lost. */
const windowCutShort: WatchRule = ({ resolved: { machine, week }, month }) =>
  isNeverOff(machine)
    ? []
    : cutWindows(week, month)
        .slice(0, 1)
        .map((cut) => ({
          key: 'window-cut-short',
          severity: 'warning',
          facts: { code: 'window-cut-short', ...cut },
        }))

/** An address that is lost each time the hardware is given back: names and firewall rules that point to it break. */
const addressChanges: WatchRule = (inputs) => {
  const { resolved, estimate } = inputs
  const { machine } = resolved
  if (
    machine.address !== 'changing' ||
    !statesWhenOff(resolved).some(givesHardwareBack) ||
    estimate.starts === 0
  )
    return []
  const isFixed = (notch: { choice: { decision: string } }): boolean =>
    'address' in notch.choice && notch.choice.address === 'fixed'
  return [
    {
      key: 'address-changes',
      severity: 'warning',
      facts: { code: 'address-changes', times: estimate.starts },
      mend: mendBy(inputs, 'address', isFixed),
    },
  ]
}

export const OFF_RULES: readonly WatchRule[] = [
  offStillCharged,
  floorWhenOff,
  startsAndStops,
  leftOn,
  windowCutShort,
  addressChanges,
]
