import type { WeekPlan } from '../../core/calendar/weekPlan.ts'
import { ZONE_RELEASE } from '../../core/calendar/zoneData.ts'
import { formatDate } from '../../core/calendar/civil.ts'
import { isNeverOff } from '../../core/off/offPlan.ts'
import type { Switch, Transition } from '../../core/timers/transitions.ts'
import type { TimerPlan } from '../../core/timers/timerPlan.ts'
import { carriedWeek } from './carriedWeek.ts'
import { stableJson } from '../reading/stableJson.ts'
import { SCHEDULE_FORMAT, scheduleFeedSchema } from './scheduleFeedSchema.ts'
import { actionOf, type SwitchedMachine } from '../../core/timers/switching.ts'
import { utcTime } from './utcText.ts'

/** Every switch of every machine as JSON, for a scheduler of one's own; docs/formats/schedule.md says what is in it. */
export function scheduleFeed(
  plan: TimerPlan,
  { title, week }: { readonly title: string; readonly week: WeekPlan },
  machines: readonly SwitchedMachine[],
  transitions: readonly Transition[],
): string {
  return stableJson(scheduleFeedSchema, {
    format: SCHEDULE_FORMAT,
    title,
    timeZone: plan.timeZone,
    timeZoneData: ZONE_RELEASE,
    week: carriedWeek(week),
    from: formatDate(plan.from),
    to: formatDate(plan.to),
    machines: machines
      .filter((machine) => !isNeverOff(machine))
      .map((machine) => ({
        name: machine.name,
        region: machine.region,
        ...(machine.firstDay !== undefined && { firstDay: machine.firstDay }),
        ...(machine.lastDay !== undefined && { lastDay: machine.lastDay }),
        ...actionsOf(machine, { gapFrom: 0 }),
        ...(machine.longGaps && {
          longGaps: machine.longGaps.map(({ fromMinutes }) => ({
            fromMinutes,
            ...actionsOf(machine, { gapFrom: fromMinutes }),
          })),
        }),
        ...(machine.atShutdown && {
          autoShutdown: actionsOf({ ...machine, longGaps: [], off: machine.atShutdown }, { gapFrom: 0 }),
        }),
      })),
    beginsOn: plan.beginsOn,
    switches: transitions.map(({ at, to, gapFrom, byShutdown }) => ({
      at: utcTime(at),
      to,
      ...(gapFrom > 0 && { gapFromMinutes: gapFrom }),
      ...(byShutdown && { by: 'auto-shutdown' as const }),
    })),
  })
}

/** Neither where the machine is left on in such gaps. */
function actionsOf(machine: SwitchedMachine, gap: Pick<Switch, 'gapFrom'>) {
  const [on, off] = [actionOf(machine, { to: 'on', ...gap }), actionOf(machine, { to: 'off', ...gap })]
  return { ...(on && { on }), ...(off && { off }) }
}
