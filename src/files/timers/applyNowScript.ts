import { formatDate } from '../../core/calendar/civil.ts'
import type { TimerPlan } from '../../core/timers/timerPlan.ts'
import type { Switch, Transition } from '../../core/timers/transitions.ts'
import { scriptHead, switchName, type SwitchedWeek } from './powerScript.ts'
import { basicTime } from './utcText.ts'

/** `202703280130`: whole numbers in the order of time, which any shell can compare. */
const stamp = (at: number): string => basicTime(at).replace('T', '').slice(0, 12)

/**
 * A POSIX shell script that brings the machines into the state that the plan has for the moment it is run. `switches`
 * may begin before the plan does, so that it is known what the first of them ends.
 */
export function applyNowScript(plan: TimerPlan, switches: readonly Transition[], week: SwitchedWeek): string {
  const begins: Switch = { to: plan.beginsOn ? 'on' : 'off', gapFrom: 0 }
  const before = { ...begins, at: plan.within.from }
  const all = [before, ...switches].map((each, i) => ({
    name: switchName(each),
    from: Math.max(each.at, plan.within.from),
    to: switches[i]?.at ?? plan.within.to,
  }))
  const usual = switchName({ to: 'off', gapFrom: 0 })
  return [
    ...scriptHead(
      week,
      switches,
      [
        `${week.title}: switches the machines to what the plan says for now.`,
        `${formatDate(plan.from)} to ${formatDate(plan.to)}, ${plan.timeZone}. Times below are UTC: from, until, what to do; else ${usual}.`,
      ],
      'start',
    ),
    'now="$(TZ=UTC date +%Y%m%d%H%M)"',
    `if [ "$now" -lt ${stamp(plan.within.from)} ] || [ "$now" -ge ${stamp(plan.within.to)} ]; then`,
    '  echo "The plan does not cover this date." >&2',
    '  exit 3',
    'fi',
    `wanted=${usual}`,
    'while read -r from until does; do',
    '  if [ "$now" -ge "$from" ] && [ "$now" -lt "$until" ]; then wanted="$does"; fi',
    "done <<'SPANS'",
    ...all
      .filter(({ name, from, to }) => name !== usual && to > from)
      .map(({ name, from, to }) => `${stamp(from)} ${stamp(to)} ${name}`),
    'SPANS',
    '"$wanted"',
    '',
  ].join('\n')
}
