'use client'

import { ownValue } from '../../core/ownValue.ts'
import styled from 'styled-components'
import { SHUTDOWN_STATES, type AutoShutdown } from '../../core/calendar/autoShutdown.ts'
import { MINUTES_PER_DAY, type WeekPlan } from '../../core/calendar/weekPlan.ts'
import type { Weekday } from '../../core/calendar/civil.ts'
import { formatClockTime, readClockTime } from '../../files/reading/clockTime.ts'
import { Dropdown } from '../../interface/Dropdown'
import { TextInput } from '../../interface/TextInput'
import { OFF_MEANS, STATE_NAMES } from '../../wording/state'
import { shortDay } from '../../wording/time'
import { ZonePicker } from './ZonePicker'

interface AutoShutdownLineProps {
  readonly week: WeekPlan
  /** Machines of the week whose provider does not have the state of the auto-shutdown. */
  readonly unable: readonly string[]
  readonly onChange: (autoShutdown: AutoShutdown | undefined, label: string) => void
}

const DAYS: readonly Weekday[] = [0, 1, 2, 3, 4, 5, 6]
const SETS: Readonly<Record<string, readonly Weekday[]>> = { workdays: DAYS.slice(0, 5), all: DAYS }
const USUAL_MINUTE = 20 * 60
/** Option of the list of states. */
const OWN_STATE = 'own'
/** More names would not be read. */
const MOST_NAMED = 3

const listText = (names: readonly string[]): string =>
  names.length <= MOST_NAMED
    ? names.join(', ')
    : `${names.slice(0, MOST_NAMED).join(', ')} and ${names.length - MOST_NAMED} more`

/** A time of day at which whatever is on is switched off, as a safety net over the week. */
export function AutoShutdownLine({ week, unable, onChange }: AutoShutdownLineProps) {
  const { autoShutdown } = week
  const set = (part: Partial<AutoShutdown>, label: string): void =>
    onChange({ minute: USUAL_MINUTE, days: DAYS, ...autoShutdown, ...part }, label)
  const known =
    autoShutdown && Object.keys(SETS).find((id) => String(ownValue(SETS, id)) === String(autoShutdown.days))
  const options = [
    { id: 'none', name: 'none' },
    { id: 'all', name: 'every day' },
    { id: 'workdays', name: 'Monday to Friday' },
    ...(autoShutdown && !known ? [{ id: 'own', name: autoShutdown.days.map(shortDay).join(', ') }] : []),
  ]
  return (
    <Line role="group" aria-label="Auto-shutdown">
      <span>Auto-shutdown</span>
      <Dropdown
        label="Days of the auto-shutdown"
        value={autoShutdown ? (known ?? 'own') : 'none'}
        options={options}
        onChange={(id) => {
          const days = ownValue(SETS, id)
          if (id === 'none') onChange(undefined, 'no auto-shutdown')
          else if (days) set({ days }, 'auto-shutdown')
        }}
      />
      {autoShutdown && (
        <>
          <span>at</span>
          <Time>
            <TextInput
              label="Time of the auto-shutdown"
              value={formatClockTime(autoShutdown.minute)}
              floating
              wide
              check={(text) =>
                (readClockTime(text) ?? MINUTES_PER_DAY) < MINUTES_PER_DAY
                  ? undefined
                  : 'Write a time like 20:00.'
              }
              onCommit={(text) =>
                set(
                  { minute: readClockTime(text)! },
                  `auto-shutdown at ${formatClockTime(readClockTime(text)!)}`,
                )
              }
            />
          </Time>
          <span>in</span>
          <ZonePicker
            key={autoShutdown.timeZone ?? week.timeZone}
            label="Time zone of the auto-shutdown"
            value={autoShutdown.timeZone ?? week.timeZone}
            onChange={(timeZone) => set({ timeZone }, 'zone of the auto-shutdown')}
          />
          <span>into</span>
          <Dropdown
            label="State after the auto-shutdown"
            value={autoShutdown.off ?? OWN_STATE}
            options={[
              { id: OWN_STATE, name: 'each machine’s own state' },
              ...SHUTDOWN_STATES.map((off) => ({
                id: off,
                name: STATE_NAMES[off],
                note: OFF_MEANS[off],
              })),
            ]}
            onChange={(id) => {
              const { off: _, ...rest } = autoShutdown
              const off = SHUTDOWN_STATES.find((each) => each === id)
              onChange(
                off ? { ...rest, off } : rest,
                off ? `auto-shutdown into ${off}` : 'auto-shutdown into each machine’s own state',
              )
            }}
          />
          <span>starts nothing</span>
          {unable.length > 0 && autoShutdown.off && (
            <Unable>
              {STATE_NAMES[autoShutdown.off]} is not offered for {listText(unable)}, which{' '}
              {unable.length === 1 ? 'goes' : 'go'} off in {unable.length === 1 ? 'its' : 'their'} own state
              instead.
            </Unable>
          )}
        </>
      )}
    </Line>
  )
}

const Line = styled.div`
  display: flex;
  flex-wrap: wrap;
  gap: 6px 8px;
  align-items: center;
  margin-top: 10px;
  color: var(--ink-2);
`

const Unable = styled.p`
  flex-basis: 100%;
  margin: 0;
`

const Time = styled.div`
  width: 64px;
`
