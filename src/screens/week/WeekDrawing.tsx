import type { AutoShutdown } from '../../core/calendar/autoShutdown.ts'
import { MINUTES_PER_DAY, type WeekWindow } from '../../core/calendar/weekPlan.ts'
import type { OffPlan } from '../../core/off/offPlan.ts'
import { weeklyOff } from '../../core/power/weeklyOff.ts'
import { formatClockTime } from '../../files/reading/clockTime.ts'
import { PALE, STATE_FILL } from '../../interface/StatePatterns'
import { useWidth } from '../../interface/useWidth'
import type { Patch } from './usePaint'

/** Pixels of a day's row. */
export const ROW = 36
const BAR_TOP = 3
const BAR = ROW - 2 * BAR_TOP
export const HOURS = [0, 3, 6, 9, 12, 15, 18, 21, 24]
/** Pixels that the times of a window need. */
const TIMES = 92

interface WeekDrawingProps {
  readonly windows: readonly WeekWindow[]
  readonly off: OffPlan
  readonly patch: Patch | undefined
  readonly shutdown: AutoShutdown | undefined
}

const percent = (minute: number): string => `${(minute / MINUTES_PER_DAY) * 100}%`

/** The windows of a week over what the machine is outside them, one row a day. */
export function WeekDrawing({ windows, off, patch, shutdown }: WeekDrawingProps) {
  const [drawing, width] = useWidth<SVGSVGElement>(500)
  const hasRoom = (minutes: number): boolean => (minutes / MINUTES_PER_DAY) * width >= TIMES
  return (
    <svg ref={drawing} width="100%" height={7 * ROW} aria-hidden="true">
      {weeklyOff(windows, off, shutdown).map((part) => (
        <rect
          key={`${part.day} ${part.from}`}
          x={percent(part.from)}
          y={part.day * ROW + BAR_TOP}
          width={percent(part.to - part.from)}
          height={BAR}
          fill={STATE_FILL[part.off]}
          // A machine that is not off runs outside its windows too: paler, so that the windows still show.
          fillOpacity={part.off === 'running' ? PALE : 1}
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
            {hasRoom(part.to - part.from) && (
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
      {shutdown?.days.map((day) => (
        <line
          key={day}
          x1={percent(shutdown.minute)}
          x2={percent(shutdown.minute)}
          y1={day * ROW + 1}
          y2={(day + 1) * ROW - 1}
          stroke="var(--leak)"
          strokeWidth={2}
          strokeDasharray="5 3"
        />
      ))}
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
