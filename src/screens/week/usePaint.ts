'use client'

import { useEffect, useRef, useState, type PointerEvent, type RefObject } from 'react'
import type { Weekday } from '../../core/calendar/civil.ts'
import { paintWindows, resizeWindow } from '../../core/calendar/paintWindows.ts'
import { MINUTES_PER_DAY, type WeekWindow } from '../../core/calendar/weekPlan.ts'

/** What painting snaps to, in minutes. */
export const GRAINS = [5, 15, 30, 60] as const
export type Grain = (typeof GRAINS)[number]
const EDGE_PIXELS = 7

export interface GridCell {
  readonly day: Weekday
  readonly minute: number
}

/** Days and times from one corner to the other. */
export interface Patch {
  readonly fromDay: number
  readonly toDay: number
  readonly from: number
  readonly to: number
}

type Gesture =
  | { readonly kind: 'paint'; readonly start: GridCell }
  | { readonly kind: 'resize'; readonly window: WeekWindow; readonly edge: 'from' | 'to' }

interface PaintInputs {
  readonly area: RefObject<HTMLElement | null>
  readonly windows: readonly WeekWindow[]
  readonly brush: boolean
  readonly grain: Grain
  /** Shows a week that is still being painted; undefined gives it up. */
  readonly onPreview: (windows: readonly WeekWindow[] | undefined) => void
  readonly onPaint: (windows: readonly WeekWindow[]) => void
}

/** Paints a patch of days and times on or off. */
export function paintPatch(windows: readonly WeekWindow[], patch: Patch, on: boolean): readonly WeekWindow[] {
  let painted = windows
  for (let day = patch.fromDay; day <= patch.toDay; day += 1) {
    painted = paintWindows(painted, { day: day as Weekday, from: patch.from, to: patch.to, on })
  }
  return painted
}

export const patchBetween = (a: GridCell, b: GridCell, grain: Grain): Patch => ({
  fromDay: Math.min(a.day, b.day),
  toDay: Math.max(a.day, b.day),
  from: Math.min(a.minute, b.minute),
  to: Math.min(MINUTES_PER_DAY, Math.max(a.minute, b.minute) + grain),
})

/** Painting with mouse, pen or finger: a drag paints, a drag on a window's end moves that end. Escape gives it up. */
export function usePaint({ area, windows, brush, grain, onPreview, onPaint }: PaintInputs) {
  const [gesture, setGesture] = useState<Gesture>()
  const before = useRef<readonly WeekWindow[]>(windows)
  const painted = useRef<readonly WeekWindow[]>(windows)
  const preview = useRef(onPreview)
  const frame = useRef(0)
  useEffect(() => {
    preview.current = onPreview
  })

  useEffect(() => {
    if (!gesture) return
    const onKey = (event: KeyboardEvent): void => {
      if (event.key !== 'Escape') return
      setGesture(undefined)
      cancelAnimationFrame(frame.current)
      preview.current(undefined)
    }
    window.addEventListener('keydown', onKey)
    return () => window.removeEventListener('keydown', onKey)
  }, [gesture])

  const locate = (event: PointerEvent): { day: Weekday; exact: number; pixelsPerMinute: number } => {
    const box = area.current!.getBoundingClientRect()
    const day = Math.floor(((event.clientY - box.top) / box.height) * 7)
    const minute = ((event.clientX - box.left) / box.width) * MINUTES_PER_DAY
    return {
      day: Math.min(6, Math.max(0, day)) as Weekday,
      exact: Math.min(MINUTES_PER_DAY, Math.max(0, minute)),
      pixelsPerMinute: box.width / MINUTES_PER_DAY,
    }
  }

  const stopShowing = (): void => cancelAnimationFrame(frame.current)

  // A pointer tells of moves more often than anything can be drawn.
  const show = (next: readonly WeekWindow[]): void => {
    painted.current = next
    stopShowing()
    frame.current = requestAnimationFrame(() => preview.current(next))
  }

  const paintTo = (current: Gesture, event: PointerEvent): void => {
    const { day, exact } = locate(event)
    if (current.kind === 'paint') {
      show(
        paintPatch(
          before.current,
          patchBetween(current.start, { day, minute: floorTo(exact, grain) }, grain),
          brush,
        ),
      )
      return
    }
    const { window, edge } = current
    const wanted =
      roundTo(exact, grain) + (edge === 'to' && window.to > MINUTES_PER_DAY ? MINUTES_PER_DAY : 0)
    const ends =
      edge === 'from'
        ? { from: Math.min(wanted, window.to - grain), to: window.to }
        : { from: window.from, to: Math.max(wanted, window.from + grain) }
    show(resizeWindow(before.current, window, ends))
  }

  return {
    painting: gesture !== undefined,
    handlers: {
      onPointerDown: (event: PointerEvent): void => {
        if (event.button !== 0) return
        event.currentTarget.setPointerCapture(event.pointerId)
        before.current = windows
        const { day, exact, pixelsPerMinute } = locate(event)
        const started = gestureAt(windows, { day, exact, reach: EDGE_PIXELS / pixelsPerMinute }, grain)
        setGesture(started)
        if (started.kind === 'paint') paintTo(started, event)
        else painted.current = windows
      },
      onPointerMove: (event: PointerEvent): void => {
        if (gesture) paintTo(gesture, event)
      },
      onPointerUp: (): void => {
        if (!gesture) return
        setGesture(undefined)
        stopShowing()
        onPaint(painted.current)
      },
      onPointerCancel: (): void => {
        setGesture(undefined)
        stopShowing()
        onPreview(undefined)
      },
    },
  }
}

interface Touched {
  readonly day: Weekday
  readonly exact: number
  /** How near to a window's end counts as on it, in minutes. */
  readonly reach: number
}

function gestureAt(
  windows: readonly WeekWindow[],
  { day, exact: minute, reach }: Touched,
  grain: Grain,
): Gesture {
  for (const window of windows) {
    const endDay = window.to > MINUTES_PER_DAY ? (window.day + 1) % 7 : window.day
    const end = window.to > MINUTES_PER_DAY ? window.to - MINUTES_PER_DAY : window.to
    if (endDay === day && Math.abs(end - minute) <= reach) return { kind: 'resize', window, edge: 'to' }
    if (window.day === day && Math.abs(window.from - minute) <= reach)
      return { kind: 'resize', window, edge: 'from' }
  }
  return { kind: 'paint', start: { day, minute: floorTo(minute, grain) } }
}

const floorTo = (minute: number, grain: Grain): number =>
  Math.min(MINUTES_PER_DAY - grain, Math.floor(minute / grain) * grain)

const roundTo = (minute: number, grain: Grain): number => Math.round(minute / grain) * grain
