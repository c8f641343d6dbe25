import { formatDate } from '../../core/calendar/civil.ts'
import { ZONE_RELEASE } from '../../core/calendar/zoneData.ts'
import type { TimerPlan } from '../../core/timers/timerPlan.ts'
import type { Switch } from '../../core/timers/transitions.ts'
import { fillTemplate, shellQuote } from '../plan/commandTemplate.ts'
import { groupOnce, ruleId, switchId } from './ruleId.ts'
import { clockDigits } from './utcText.ts'
import { isNeverOff } from '../../core/off/offPlan.ts'
import { USUAL_COMMAND, type SwitchAction, type Commands } from '../../core/machine/switchActions.ts'
import { actionOf, type SwitchedMachine } from '../../core/timers/switching.ts'

/** What is switched, and how. */
export interface SwitchedWeek {
  /** In which the dates of machines are read. */
  readonly timeZone: string
  /** In comments and descriptions: one line of text. */
  readonly title: string
  readonly machines: readonly SwitchedMachine[]
  readonly commands: Commands
}

/**
 * The POSIX shell script that timers call, with the name of a rule. It leaves a rule out on the dates on which it does
 * not apply, which crontab and systemd timers cannot say themselves.
 */
export function powerScript(plan: TimerPlan, week: SwitchedWeek): string {
  const guarded = plan.rules.map((rule) => ({
    id: ruleId(rule),
    calls: switchName(rule),
    zone: plan.timeZone,
    skips: rule.skips.map(formatDate),
    only: undefined,
  }))
  const once = groupOnce(plan.once).map((group) => ({
    id: group.id,
    calls: switchName(group),
    zone: 'UTC',
    skips: [],
    only: group.dates,
  }))
  return [
    ...scriptHead(
      week,
      [...plan.rules, ...plan.once],
      [
        week.title,
        `${formatDate(plan.from)} to ${formatDate(plan.to)}, ${plan.timeZone}. After that the weekly times go on, without exceptions.`,
        `Called by timers with the name of a rule, and by cron with “due”, which does what is due in this very minute.`,
        `Time zone data ${ZONE_RELEASE}; this computer should have the same or a newer one.`,
      ],
    ),
    'run_rule() {',
    '  case "$1" in',
    ...[...guarded, ...once].flatMap(ruleLines),
    '    *)',
    '      echo "usage: $0 RULE, or due" >&2',
    '      return 2',
    '      ;;',
    '  esac',
    '}',
    '',
    ...dueLines(plan),
    'if [ "${1-}" = due ]; then run_due; else run_rule "${1-}"; fi',
    '',
  ].join('\n')
}

/** What is due in this minute: rules by weekday and time of the week's zone, single times by date and time in UTC. */
function dueLines(plan: TimerPlan): string[] {
  const weekly = plan.rules.map((rule) => ({
    id: ruleId(rule),
    due: rule.days.map((day) => `${day + 1} ${clockDigits(rule.minute)}`),
  }))
  const once = groupOnce(plan.once).map(({ id, minute, dates }) => ({
    id,
    due: dates.map((date) => `${date} ${clockDigits(minute)}`),
  }))
  const cases = (clock: string, rules: readonly { id: string; due: readonly string[] }[]): string[] =>
    rules.flatMap(({ id, due }) => [
      `  case "$${clock}" in`,
      `    ${due.map((each) => `'${each}'`).join(' | ')}) run_rule ${id} || due_failed=1 ;;`,
      '  esac',
    ])
  return [
    'run_due() {',
    '  due_failed=0',
    `  week_clock="$(TZ=${shellQuote(plan.timeZone)} date '+%u %H%M')"`,
    '  utc_clock="$(TZ=UTC date \'+%Y-%m-%d %H%M\')"',
    ...cases('week_clock', weekly),
    ...cases('utc_clock', once),
    '  return "$due_failed"',
    '}',
    '',
  ]
}

/**
 * What begins every script: what it is for, and a function for each way to switch. `leftOn` is done to a machine that is
 * left on in such a gap.
 */
export const scriptHead = (
  week: SwitchedWeek,
  switches: readonly Switch[],
  comments: readonly string[],
  leftOn?: SwitchAction,
): string[] => [
  '#!/bin/sh',
  ...comments.map((comment) => `# ${comment}`),
  'set -u',
  '',
  ...(week.machines.some(isPlanned) ? [...thereLines(week), ''] : []),
  ...[...new Map([...SHORT_GAPS, ...switches].map((each) => [switchName(each), each])).values()].flatMap(
    (each) => [...switchFunction(each, week, leftOn), ''],
  ),
]

const isPlanned = ({ firstDay, lastDay }: SwitchedMachine): boolean =>
  firstDay !== undefined || lastDay !== undefined

/** Whether there is a machine today, by its first and last day as whole numbers. */
const thereLines = ({ timeZone }: SwitchedWeek): string[] => [
  'is_there() {',
  `  today="$(TZ=${shellQuote(timeZone)} date +%Y%m%d)"`,
  '  [ "$today" -ge "$1" ] && [ "$today" -le "$2" ]',
  '}',
]

const thereFrom = ({ firstDay = '0001-01-01', lastDay = '9999-12-31' }: SwitchedMachine): string =>
  `is_there ${Number(firstDay.replaceAll('-', ''))} ${lastDay.replaceAll('-', '')}`

const SHORT_GAPS: readonly Switch[] = [
  { to: 'on', gapFrom: 0 },
  { to: 'off', gapFrom: 0 },
]

/** The function that does it: `switch_off_gap_38h`. */
export const switchName = (does: Switch): string => `switch_${switchId(does).replaceAll('-', '_')}`

/** One command after the other: one that fails does not keep the others from being tried. */
function switchFunction(
  does: Switch,
  { machines, commands }: SwitchedWeek,
  leftOn: SwitchAction | undefined,
): string[] {
  const lines = machines.flatMap((machine) => {
    const action = actionOf(machine, does) ?? (isNeverOff(machine) ? undefined : leftOn)
    if (!action) return []
    const { name, region } = machine
    const command = fillTemplate(commands[action] ?? USUAL_COMMAND, { machine: name, region, action })
    // In a shell of its own, so that a mistake in it is an error of this machine alone.
    const run = `sh -c ${shellQuote(command)}`
    return [
      isPlanned(machine) ? `  if ${thereFrom(machine)}; then ${run} || failed=1; fi` : `  ${run} || failed=1`,
    ]
  })
  return [`${switchName(does)}() {`, '  failed=0', ...lines, '  return "$failed"', '}']
}

interface RuleCase {
  readonly id: string
  readonly calls: string
  readonly zone: string
  readonly skips: readonly string[]
  readonly only: readonly string[] | undefined
}

function ruleLines({ id, calls, zone, skips, only }: RuleCase): string[] {
  const today = `      case "$(TZ=${shellQuote(zone)} date +%Y-%m-%d)" in`
  const guard =
    only !== undefined
      ? [today, `        ${only.join(' | ')}) ;;`, '        *) return 0 ;;', '      esac']
      : skips.length > 0
        ? [today, `        ${skips.join(' | ')}) return 0 ;;`, '      esac']
        : []
  return [`    ${id})`, ...guard, `      ${calls}`, '      ;;']
}
