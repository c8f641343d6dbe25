import { formatDate } from '../../core/calendar/civil.ts'
import type { Span } from '../../core/quantity/units.ts'
import type { TimerPlan } from '../../core/timers/timerPlan.ts'
import { scriptHead, type SwitchedWeek } from './powerScript.ts'
import { basicTime } from './utcText.ts'

/** `202703280130`: whole numbers in the order of time, which any shell can compare. */
const stamp = (at: number): string => basicTime(at).replace('T', '').slice(0, 12)

/** A POSIX shell script that brings the machines into the state that the plan has for the moment it is run. */
export function applyNowScript(plan: TimerPlan, spans: readonly Span[], week: SwitchedWeek): string {
  return [
    ...scriptHead(week, [
      `${week.title}: switches the machines to what the plan says for now.`,
      `${formatDate(plan.from)} to ${formatDate(plan.to)}, ${plan.timeZone}. Times below are UTC: on from, on until.`,
    ]),
    'now="$(TZ=UTC date +%Y%m%d%H%M)"',
    `if [ "$now" -lt ${stamp(plan.within.from)} ] || [ "$now" -ge ${stamp(plan.within.to)} ]; then`,
    '  echo "The plan does not cover this date." >&2',
    '  exit 3',
    'fi',
    'wanted=off',
    'while read -r from until; do',
    '  if [ "$now" -ge "$from" ] && [ "$now" -lt "$until" ]; then wanted=on; fi',
    "done <<'SPANS'",
    ...spans.map(({ from, to }) => `${stamp(from)} ${stamp(to)}`),
    'SPANS',
    'switch_"$wanted"',
    '',
  ].join('\n')
}
