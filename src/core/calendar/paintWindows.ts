import type { Weekday } from './civil.ts'
import { MINUTES_PER_DAY, type WeekWindow } from './weekPlan.ts'

const MINUTES_PER_WEEK = 7 * MINUTES_PER_DAY

/** A stretch of one weekday, in minutes after its midnight, to be on or off. */
export interface Stroke {
  readonly day: Weekday
  /** 0 to 1,439. */
  readonly from: number
  /** Above `from`, at most 1,440. */
  readonly to: number
  readonly on: boolean
}

/**
 * The windows after a stretch was painted on or off. Windows from the evening before are cut like any other. Windows
 * of one day that touch become one; across midnight they stay two, since a date off drops only those that start on it.
 */
export function paintWindows(windows: readonly WeekWindow[], stroke: Stroke): WeekWindow[] {
  const start = stroke.day * MINUTES_PER_DAY + stroke.from
  const left = windows.flatMap((window) => cutOut(window, start, start + stroke.to - stroke.from))
  return coalesce(stroke.on ? [...left, { day: stroke.day, from: stroke.from, to: stroke.to }] : left)
}

function cutOut(window: WeekWindow, from: number, to: number): WeekWindow[] {
  const start = window.day * MINUTES_PER_DAY + window.from
  const end = start + window.to - window.from
  // A window that runs over Sunday's midnight meets a stroke on Monday one week later.
  const shift = from < start && from + MINUTES_PER_WEEK < end ? MINUTES_PER_WEEK : 0
  const cutFrom = from + shift
  const cutTo = to + shift
  if (cutTo <= start || cutFrom >= end) return [window]
  return [...piece(start, cutFrom), ...piece(cutTo, end)]
}

function piece(from: number, to: number): WeekWindow[] {
  if (to <= from) return []
  const day = Math.floor(from / MINUTES_PER_DAY)
  const within = from - day * MINUTES_PER_DAY
  return [{ day: (day % 7) as Weekday, from: within, to: within + to - from }]
}

/** In order of their starts; those of one day that touch or overlap become one, unless it would pass 24 hours. */
function coalesce(windows: readonly WeekWindow[]): WeekWindow[] {
  const sorted = [...windows].sort((a, b) => a.day - b.day || a.from - b.from)
  const merged: WeekWindow[] = []
  for (const window of sorted) {
    const last = merged.at(-1)
    const touches = last && last.day === window.day && window.from <= last.to
    const to = touches ? Math.max(last.to, window.to) : window.to
    if (touches && to <= last.from + MINUTES_PER_DAY) merged[merged.length - 1] = { ...last, to }
    else merged.push(window)
  }
  return merged
}

/** The windows with one of them given other ends; it merges with neighbours of its day that it now touches. */
export function resizeWindow(
  windows: readonly WeekWindow[],
  window: WeekWindow,
  ends: { readonly from: number; readonly to: number },
): WeekWindow[] {
  return coalesce(windows.map((candidate) => (candidate === window ? { ...window, ...ends } : candidate)))
}
