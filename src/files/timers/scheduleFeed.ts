import { formatDate } from '../../core/calendar/civil.ts'
import type { Transition } from '../../core/timers/transitions.ts'
import type { TimerPlan } from '../../core/timers/timerPlan.ts'
import { stableJson } from '../stableJson.ts'
import { actionOf, type SwitchedMachine } from '../../core/timers/switching.ts'
import { utcTime } from './utcText.ts'

/** Every switch of every machine as JSON, for a scheduler of one's own; docs/formats/schedule.md says what is in it. */
export function scheduleFeed(
  plan: TimerPlan,
  title: string,
  machines: readonly SwitchedMachine[],
  transitions: readonly Transition[],
): string {
  return stableJson({
    format: 'notchgauge/schedule/1',
    title,
    timeZone: plan.timeZone,
    from: formatDate(plan.from),
    to: formatDate(plan.to),
    machines: machines
      .filter((machine) => actionOf(machine, 'on') !== undefined)
      .map((machine) => ({
        name: machine.name,
        region: machine.region,
        on: actionOf(machine, 'on'),
        off: actionOf(machine, 'off'),
      })),
    beginsOn: plan.beginsOn,
    switches: transitions.map(({ at, to }) => ({ at: utcTime(at), to })),
  })
}
