import type { WeekPlan, WeekWindow } from '../core/calendar/weekPlan.ts'
import { formatClockTime } from '../files/reading/clockTime.ts'
import { shortDay } from './time'

const dayText = (windows: readonly WeekWindow[], day: number): string =>
  windows
    .filter((window) => window.day === day)
    .map(({ from, to }) => `${formatClockTime(from)}–${formatClockTime(to)}`)
    .join(', ')

/** `Mon to Fri 08:00–18:00`, or `Mon to Thu 09:00–17:30, Fri 09:00–15:00`; long weeks are cut to what fits a line. */
export function weekText({ windows }: Pick<WeekPlan, 'windows'>): string {
  const groups: { from: number; to: number; text: string }[] = []
  for (let day = 0; day < 7; day += 1) {
    const text = dayText(windows, day)
    const last = groups.at(-1)
    if (last && last.text === text) last.to = day
    else groups.push({ from: day, to: day, text })
  }
  const on = groups.filter(({ text }) => text !== '')
  if (on.length === 0) return 'never on'
  return on
    .map(({ from, to, text }) => {
      const days = from === to ? shortDay(from) : `${shortDay(from)} to ${shortDay(to)}`
      return from === 0 && to === 6 ? `daily ${text}` : `${days} ${text}`
    })
    .join(', ')
}
