'use client'

import { useState } from 'react'
import { strToU8, zipSync } from 'fflate'
import styled from 'styled-components'
import { dayOf, formatDate, parseDate, type DayNumber } from '../../core/calendar/civil.ts'
import type { WeekPlan } from '../../core/calendar/weekPlan.ts'
import { yearMonthParts } from '../../core/calendar/yearMonth.ts'
import type { Machine } from '../../core/machine/plan.ts'
import { instant } from '../../core/quantity/units.ts'
import { USUAL_COMMAND, type SwitchAction } from '../../core/machine/switchActions.ts'
import { actionOf, gapSteps } from '../../core/timers/switching.ts'
import { LONGEST_TIMER_DAYS } from '../../core/timers/timerPlan.ts'
import type { Switch } from '../../core/timers/transitions.ts'
import { templateProblem } from '../../files/plan/commandTemplate.ts'
import {
  isScriptPath,
  SCHEDULE_FORMATS,
  type ScheduleFile,
  type ScheduleFormat,
} from '../../files/timers/exportSchedule.ts'
import { Button } from '../../interface/Button'
import { Dialog } from '../../interface/Dialog'
import { Dropdown } from '../../interface/Dropdown'
import { Tick } from '../../interface/Tick'
import { TextInput } from '../../interface/TextInput'
import { setCommands } from '../../store/commands.ts'
import { download } from '../workbench/download.ts'
import { fileName } from '../workbench/fileName.ts'
import { useWorkbench } from '../workbench/WorkbenchContext'
import { useScheduleFiles } from './useScheduleFiles.ts'
import { FORMAT_NAMES, scheduleClaims } from './scheduleClaims.ts'

interface ScheduleExportProps {
  readonly week: WeekPlan
  readonly machine: Machine
  readonly onClose: () => void
}

const CALLS_COMMANDS: ReadonlySet<ScheduleFormat> = new Set(['crontab', 'systemd', 'apply-now'])
const PREVIEW_LINES = 400

/** The week as files that real schedulers read, and what each can and cannot hold of it. */
export function ScheduleExport({ week, machine, onClose }: ScheduleExportProps) {
  const { session, state, month } = useWorkbench()
  const [format, setFormat] = useState<ScheduleFormat>('calendar')
  const [alone, setAlone] = useState(false)
  const [safetyNet, setSafetyNet] = useState(true)
  const [dates, setDates] = useState(() => yearFrom(month))
  const base = fileName(alone ? `${week.name} ${machine.name}` : week.name)
  const [path, setPath] = useState<string>()
  const [made] = useState(() => instant(Math.floor(Date.now() / 1000)))
  const scriptPath = path ?? `/usr/local/bin/${base}.sh`
  const sharers = state.plan.machines.filter((other) => other.week === week.id)
  const { files, plan, machines, commands } = useScheduleFiles({
    plan: state.plan,
    books: state.books,
    month,
    only: alone ? machine : undefined,
    dates,
    week,
    format,
    safetyNet,
    scriptPath,
    base,
    made,
  })
  const switches = [0, ...gapSteps(machines)].flatMap((gapFrom): Switch[] => [
    { to: 'on', gapFrom },
    { to: 'off', gapFrom },
    ...(week.autoShutdown ? [{ to: 'off', gapFrom, byShutdown: true } as const] : []),
  ])
  const actions = [
    ...new Set(machines.flatMap((each) => switches.map((does) => actionOf(each, does)))),
  ].filter((action) => action !== undefined)
  return (
    <Dialog title={`Export “${week.name}” to schedulers`} isOpen onClose={onClose}>
      <Line>
        <span>As</span>
        <Dropdown
          label="Format of the schedule"
          value={format}
          options={SCHEDULE_FORMATS.map((id) => ({ id, name: FORMAT_NAMES[id] }))}
          onChange={(id) => setFormat(SCHEDULE_FORMATS.find((each) => each === id) ?? 'calendar')}
        />
        <span>for</span>
        <Dropdown
          label="Machines of the schedule"
          value={alone ? 'alone' : 'all'}
          options={[
            { id: 'all', name: sharers.length === 1 ? 'its machine' : `its ${sharers.length} machines` },
            { id: 'alone', name: machine.name },
          ]}
          onChange={(id) => setAlone(id === 'alone')}
        />
      </Line>
      <Line>
        <DateInput
          label="From"
          value={dates.from}
          onChange={(from) => setDates({ ...dates, from })}
          check={(from) => rangeProblem(from, dates.to)}
        />
        <DateInput
          label="to"
          value={dates.to}
          onChange={(to) => setDates({ ...dates, to })}
          check={(to) => rangeProblem(dates.from, to)}
        />
      </Line>
      {week.autoShutdown && (
        <Tick
          label="Also switch off at each auto-shutdown, in case someone switched it on"
          checked={safetyNet}
          onChange={setSafetyNet}
        />
      )}
      {CALLS_COMMANDS.has(format) && (
        <Commands>
          {actions.map((action) => (
            <TextInput
              key={action}
              label={`To ${action} a machine`}
              showLabel
              wide
              value={commands[action] ?? USUAL_COMMAND}
              check={templateProblem}
              onCommit={(text) =>
                session.edit(`command to ${action}`, setCommands(withCommand(commands, action, text)))
              }
            />
          ))}
          {format !== 'apply-now' && (
            <TextInput
              label="Path of the script"
              showLabel
              wide
              value={scriptPath}
              check={(text) =>
                isScriptPath(text)
                  ? undefined
                  : 'Write an absolute path of letters, digits, dots, hyphens and slashes, like /usr/local/bin/week.sh.'
              }
              onCommit={setPath}
            />
          )}
        </Commands>
      )}
      <ul>
        {scheduleClaims(format, plan, machines).map((claim) => (
          <li key={claim}>{claim}</li>
        ))}
      </ul>
      {machines.length === 0 ? (
        <p>
          These machines are never switched off, or are not there on these dates: choose another state when
          off, or other dates.
        </p>
      ) : (
        <Preview tabIndex={0} role="region" aria-label={`Preview of ${files[0]!.name}`}>
          {files[0]!.text.split('\n').slice(0, PREVIEW_LINES).join('\n')}
        </Preview>
      )}
      <Button isDisabled={machines.length === 0} onPress={() => save(files, `${base}-${format}.zip`)}>
        {files.length === 1
          ? `Save ${files[0]!.name}`
          : `Save ${files.length} files as ${base}-${format}.zip`}
      </Button>
    </Dialog>
  )
}

function yearFrom(month: Parameters<typeof yearMonthParts>[0]): { from: DayNumber; to: DayNumber } {
  const { year, month: number } = yearMonthParts(month)
  return { from: dayOf(year, number, 1), to: dayOf(year + 1, number, 0) }
}

function rangeProblem(from: DayNumber, to: DayNumber): string | undefined {
  if (to < from) return 'The last date is before the first one.'
  return to - from >= LONGEST_TIMER_DAYS ? 'A schedule is written for five years at most.' : undefined
}

/** The usual command is not kept in the plan. */
function withCommand(commands: Partial<Record<SwitchAction, string>>, action: SwitchAction, text: string) {
  const { [action]: _, ...others } = commands
  return text === USUAL_COMMAND ? others : { ...others, [action]: text }
}

function save(files: readonly ScheduleFile[], archive: string): void {
  const [only] = files
  if (files.length === 1 && only) return download(only.name, only.text, 'text/plain')
  const zipped = zipSync(Object.fromEntries(files.map(({ name, text }) => [name, strToU8(text)])))
  download(archive, zipped, 'application/zip')
}

interface DateInputProps {
  readonly label: string
  readonly value: DayNumber
  readonly onChange: (day: DayNumber) => void
  readonly check: (day: DayNumber) => string | undefined
}

function DateInput({ label, value, onChange, check }: DateInputProps) {
  return (
    <TextInput
      label={label}
      showLabel
      value={formatDate(value)}
      check={(text) => {
        const day = parseDate(text)
        return day === undefined ? 'Write a date like 2027-03-01.' : check(day)
      }}
      onCommit={(text) => onChange(parseDate(text)!)}
    />
  )
}

const Line = styled.div`
  display: flex;
  flex-wrap: wrap;
  gap: 8px 10px;
  align-items: center;
`

const Commands = styled.div`
  display: grid;
  grid-template-columns: repeat(auto-fit, minmax(230px, 1fr));
  gap: 8px 12px;
`

const Preview = styled.pre`
  margin: 0;
  padding: 8px 10px;
  max-height: 220px;
  overflow: auto;
  border: 1px solid var(--rule);
  background: var(--paper);
  font-size: 12px;
`
