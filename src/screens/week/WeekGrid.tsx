'use client'

import { useRef } from 'react'
import styled from 'styled-components'
import type { Weekday } from '../../core/calendar/civil.ts'
import { MINUTES_PER_DAY, type WeekWindow } from '../../core/calendar/weekPlan.ts'
import type { OffState } from '../../core/power/powerState.ts'
import { formatClockTime } from '../../files/clockTime.ts'
import { PALE, STATE_FILL } from '../../interface/StatePatterns'
import { TextInput } from '../../interface/TextInput'
import { media } from '../../interface/theme/media'
import { VisuallyHidden } from '../../interface/VisuallyHidden'
import { DAY_NAMES, shortDay } from '../../interface/wording/time'
import { readDay, writeDay } from './dayText.ts'
import { useCursor } from './useCursor'
import { DayMenu } from './DayMenu'
import type { BesideClock } from './besideClock.ts'
import { paintPatch, usePaint, type Grain, type Patch } from './usePaint'

const ROW = 36
const BAR_TOP = 3
const BAR = ROW - 2 * BAR_TOP
const HOURS = [0, 3, 6, 9, 12, 15, 18, 21, 24]
/** A window narrower than this has no room for its times. */
const LEAST_LABELLED_MINUTES = 210

interface WeekGridProps {
  readonly windows: readonly WeekWindow[]
  readonly off: OffState
  readonly brush: boolean
  readonly grain: Grain
  /** A second clock's hours, in minutes that it is ahead of the week's; none where absent. */
  readonly beside?: BesideClock | undefined
  readonly onPreview: (windows: readonly WeekWindow[] | undefined) => void
  readonly onPaint: (windows: readonly WeekWindow[], label: string) => void
}

/** A week to paint on, and each day's windows as text beside it. */
export function WeekGrid({ windows, off, brush, grain, beside, onPreview, onPaint }: WeekGridProps) {
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
        <WeekDrawing windows={windows} off={off} patch={cursor.patch} />
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

interface WeekDrawingProps {
  readonly windows: readonly WeekWindow[]
  readonly off: OffState
  readonly patch: Patch | undefined
}

const percent = (minute: number): string => `${(minute / MINUTES_PER_DAY) * 100}%`

function WeekDrawing({ windows, off, patch }: WeekDrawingProps) {
  return (
    <svg width="100%" height={7 * ROW} aria-hidden="true">
      {DAY_NAMES.map((name, day) => (
        <rect
          key={name}
          x="0"
          y={day * ROW + BAR_TOP}
          width="100%"
          height={BAR}
          fill={STATE_FILL[off]}
          // A machine that is never off runs outside its windows too: paler, so that the windows still show.
          fillOpacity={off === 'running' ? PALE : 1}
        />
      ))}
      {HOURS.slice(1, -1).map((hour) => (
        <line
          key={hour}
          x1={percent(hour * 60)}
          x2={percent(hour * 60)}
          y1="0"
          y2="100%"
          stroke="var(--ink)"
          strokeOpacity={0.18}
        />
      ))}
      {windows.flatMap((window) =>
        partsOf(window).map((part) => (
          <g key={`${window.day} ${window.from} ${part.day}`}>
            <rect
              x={percent(part.from)}
              y={part.day * ROW + BAR_TOP - 1}
              width={percent(part.to - part.from)}
              height={BAR + 2}
              fill="var(--run)"
            />
            {part.to - part.from >= LEAST_LABELLED_MINUTES && (
              <>
                {part.first && (
                  <text
                    x={percent(part.from)}
                    dx={7}
                    y={part.day * ROW + 23}
                    fontSize={12}
                    fill="var(--on-run)"
                  >
                    {formatClockTime(window.from)}
                  </text>
                )}
                {part.last && (
                  <text
                    x={percent(part.to)}
                    dx={-7}
                    y={part.day * ROW + 23}
                    fontSize={12}
                    textAnchor="end"
                    fill="var(--on-run)"
                  >
                    {formatClockTime(part.to)}
                  </text>
                )}
              </>
            )}
          </g>
        )),
      )}
      {patch && (
        <rect
          x={percent(patch.from)}
          y={patch.fromDay * ROW + 1}
          width={percent(patch.to - patch.from)}
          height={(patch.toDay - patch.fromDay + 1) * ROW - 2}
          fill="none"
          stroke="var(--focus)"
          strokeWidth={2}
        />
      )}
    </svg>
  )
}

/** A window as it is drawn: over midnight, in two rows. */
function partsOf({ day, from, to }: WeekWindow) {
  if (to <= MINUTES_PER_DAY) return [{ day: day as number, from, to, first: true, last: true }]
  return [
    { day: day as number, from, to: MINUTES_PER_DAY, first: true, last: false },
    { day: (day + 1) % 7, from: 0, to: to - MINUTES_PER_DAY, first: false, last: true },
  ]
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
