import type { Transition } from '../../core/timers/transitions.ts'
import type { WeeklyRule } from '../../core/timers/weeklyRules.ts'
import { SECONDS_PER_DAY } from '../../core/quantity/units.ts'
import { clockDigits, utcDate } from './utcText.ts'

/** A rule's name in scripts and units: `on-0800`. */
export const ruleId = ({ to, minute }: WeeklyRule): string => `${to}-${clockDigits(minute)}`

/** Single switches at the same time of day in UTC. */
export interface OnceGroup {
  /** `once-off-1730`. */
  readonly id: string
  readonly to: Transition['to']
  /** 0 to 1,439, after midnight in UTC. */
  readonly minute: number
  /** In UTC, in order. */
  readonly dates: readonly string[]
}

export function groupOnce(once: readonly Transition[]): OnceGroup[] {
  const groups = new Map<string, { to: Transition['to']; minute: number; dates: string[] }>()
  for (const { at, to } of once) {
    const minute = Math.floor((at - Math.floor(at / SECONDS_PER_DAY) * SECONDS_PER_DAY) / 60)
    const id = `once-${to}-${clockDigits(minute)}`
    const group = groups.get(id) ?? { to, minute, dates: [] }
    groups.set(id, group)
    group.dates.push(utcDate(at))
  }
  return [...groups].map(([id, group]) => ({ id, ...group }))
}
