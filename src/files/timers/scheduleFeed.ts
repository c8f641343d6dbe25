import { formatDate } from '../../core/calendar/civil.ts'
import { isNeverOff } from '../../core/power/offPlan.ts'
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
      .filter((machine) => !isNeverOff(machine))
      .map((machine) => ({
        name: machine.name,
        region: machine.region,
        ...actionsOf(machine, 0),
        ...(machine.longGaps && {
          longGaps: machine.longGaps.map(({ fromMinutes }) => ({
            fromMinutes,
            ...actionsOf(machine, fromMinutes),
          })),
        }),
      })),
    beginsOn: plan.beginsOn,
    switches: transitions.map(({ at, to, gapFrom }) => ({
      at: utcTime(at),
      to,
      ...(gapFrom > 0 && { gapFromMinutes: gapFrom }),
    })),
  })
}

/** Neither where the machine is left on in such gaps. */
function actionsOf(machine: SwitchedMachine, gapFrom: number) {
  const [on, off] = [actionOf(machine, { to: 'on', gapFrom }), actionOf(machine, { to: 'off', gapFrom })]
  return { ...(on && { on }), ...(off && { off }) }
}
