'use client'

import { useRef } from 'react'
import styled from 'styled-components'
import type { AutoShutdown } from '../../core/calendar/autoShutdown.ts'
import type { Weekday } from '../../core/calendar/civil.ts'
import { MINUTES_PER_DAY, type WeekWindow } from '../../core/calendar/weekPlan.ts'
import type { OffPlan } from '../../core/off/offPlan.ts'
import { formatClockTime } from '../../files/reading/clockTime.ts'
import { TextInput } from '../../interface/TextInput'
import { media } from '../../interface/theme/media'
import { VisuallyHidden } from '../../interface/VisuallyHidden'
import { DAY_NAMES, shortDay } from '../../wording/time'
import { readDay, writeDay } from './dayText.ts'
import { useCursor } from './useCursor'
import { HOURS, ROW, WeekDrawing } from './WeekDrawing'
import { DayMenu } from './DayMenu'
import type { BesideClock } from './besideClock.ts'
import { paintPatch, usePaint, type Grain, type Patch } from './usePaint'

export interface WeekGridProps {
  readonly windows: readonly WeekWindow[]
  readonly off: OffPlan
  readonly brush: boolean
  readonly grain: Grain
  /** A second clock's hours, in minutes that it is ahead of the week's; none where absent. */
  readonly beside?: BesideClock | undefined
  readonly shutdown?: AutoShutdown | undefined
  readonly onPreview: (windows: readonly WeekWindow[] | undefined) => void
  readonly onPaint: (windows: readonly WeekWindow[], label: string) => void
}

/** A week to paint on, and each day's windows as text beside it. */
export function WeekGrid({
  windows,
  off,
  brush,
  grain,
  beside,
  shutdown,
  onPreview,
  onPaint,
}: WeekGridProps) {
  const area = useRef<HTMLDivElement>(null)
  const { painting, handlers } = usePaint({
    area,
    windows,
    brush,
    grain,
    onPreview,
    onPaint: (painted) => onPaint(painted, 'paint the week'),
  })
  const cursor = useCursor(grain, (patch, on) =>
    onPaint(paintPatch(windows, patch, on), `${patchText(patch)} ${on ? 'on' : 'off'}`),
  )
  return (
    <Layout>
      <Hours aria-hidden="true">
        {HOURS.map((hour) => (
          <span key={hour} style={{ left: `${(hour / 24) * 100}%` }}>
            {hour}
          </span>
        ))}
      </Hours>
      {beside && (
        <BesideHours aria-hidden="true">
          {HOURS.slice(0, -1).map((hour) => (
            <span key={hour} style={{ left: `${(hour / 24) * 100}%` }}>
              {formatClockTime((hour * 60 + beside.ahead + 2 * MINUTES_PER_DAY) % MINUTES_PER_DAY)}
            </span>
          ))}
        </BesideHours>
      )}
      {beside && <BesideText>{beside.text}</BesideText>}
      <Days aria-hidden="true">
        {DAY_NAMES.map((name, day) => (
          <span key={name}>{shortDay(day)}</span>
        ))}
      </Days>
      <Area
        ref={area}
        role="application"
        aria-roledescription="week painter"
        aria-label="Week. Arrow keys move, Shift with arrows marks, Enter paints on, Delete paints off."
        tabIndex={0}
        data-testid="week-grid"
        data-painting={painting || undefined}
        {...handlers}
        {...cursor.handlers}
      >
        <WeekDrawing windows={windows} off={off} patch={cursor.patch} shutdown={shutdown} />
        <VisuallyHidden role="status">{cursor.patch ? patchText(cursor.patch) : ''}</VisuallyHidden>
      </Area>
      <Texts>
        {DAY_NAMES.map((name, day) => (
          <DayLine key={name}>
            <TextInput
              label={`${name}, times on`}
              value={writeDay(windows, day as Weekday)}
              wide
              floating
              whenEmpty="nothing starts"
              check={(text) => {
                const read = readDay(text, day as Weekday)
                return read.ok ? undefined : read.problem
              }}
              onCommit={(text) => {
                const read = readDay(text, day as Weekday)
                if (!read.ok) return
                onPaint([...windows.filter((window) => window.day !== day), ...read.windows], `${name} times`)
              }}
            />
            <DayMenu windows={windows} day={day as Weekday} onPaint={onPaint} />
          </DayLine>
        ))}
      </Texts>
    </Layout>
  )
}

function patchText({ fromDay, toDay, from, to }: Patch): string {
  const days = fromDay === toDay ? DAY_NAMES[fromDay] : `${DAY_NAMES[fromDay]} to ${DAY_NAMES[toDay]}`
  return `${days} ${formatClockTime(from)} to ${formatClockTime(to)}`
}

const Layout = styled.div`
  display: grid;
  grid-template-columns: 36px minmax(0, 1fr) 206px;
  grid-template-rows: 18px auto;
  column-gap: 10px;
  margin-top: 8px;
  ${media.compact} {
    grid-template-columns: 32px minmax(0, 1fr) 176px;
  }
  ${media.narrow} {
    grid-template-columns: 32px minmax(0, 1fr);
  }
`

const Hours = styled.div`
  grid-column: 2;
  position: relative;
  font-size: 11px;
  color: var(--ink-2);

  span {
    position: absolute;
    transform: translateX(-50%);
  }
`

const BesideHours = styled.div`
  grid-column: 2;
  grid-row: 3;
  position: relative;
  height: 18px;
  font-size: 11px;
  color: var(--ink-2);

  span {
    position: absolute;
    transform: translateX(-50%);
  }
`

const BesideText = styled.p`
  grid-column: 2 / -1;
  grid-row: 4;
  font-size: 12px;
  color: var(--ink-2);
`

const Days = styled.div`
  grid-column: 1;
  grid-row: 2;
  display: grid;
  grid-auto-rows: ${ROW}px;
  align-items: center;
  font-weight: 560;

  span:nth-child(n + 6) {
    color: var(--ink-3);
  }
`

const Area = styled.div`
  grid-column: 2;
  grid-row: 2;
  position: relative;
  height: ${7 * ROW}px;
  cursor: crosshair;
  touch-action: none;
  user-select: none;
`

const Texts = styled.div`
  grid-column: 3;
  grid-row: 2;
  ${media.narrow} {
    grid-column: 2;
    grid-row: 5;
    margin-top: 8px;
  }
`

const DayLine = styled.div`
  height: ${ROW}px;
  display: grid;
  grid-template-columns: minmax(0, 1fr) auto;
  gap: 4px;
  align-items: center;
`
