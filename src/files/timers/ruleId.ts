import type { Switch, Transition } from '../../core/timers/transitions.ts'
import type { WeeklyRule } from '../../core/timers/weeklyRules.ts'
import { SECONDS_PER_DAY } from '../../core/quantity/units.ts'
import { clockDigits, utcDate } from './utcText.ts'

/** `off`, `off-shutdown`, or `off-gap-38h` for gaps that last that long: letters, digits and hyphens. */
export const switchId = ({ to, gapFrom, byShutdown }: Switch): string =>
  [
    to,
    ...(byShutdown ? ['shutdown'] : []),
    ...(gapFrom > 0 ? ['gap', gapFrom % 60 === 0 ? `${gapFrom / 60}h` : `${gapFrom}m`] : []),
  ].join('-')

/** A rule's name in scripts and units: `on-0800`. */
export const ruleId = ({ minute, ...does }: WeeklyRule): string =>
  switchId(does).replace(/^(on|off)/, `$1-${clockDigits(minute)}`)

/** Single switches at the same time of day in UTC. */
export interface OnceGroup extends Switch {
  /** `once-off-1730`. */
  readonly id: string
  /** 0 to 1,439, after midnight in UTC. */
  readonly minute: number
  /** In UTC, in order. */
  readonly dates: readonly string[]
}

export function groupOnce(once: readonly Transition[]): OnceGroup[] {
  const groups = new Map<string, Switch & { minute: number; dates: string[] }>()
  for (const { at, ...does } of once) {
    const minute = Math.floor((at - Math.floor(at / SECONDS_PER_DAY) * SECONDS_PER_DAY) / 60)
    const id = `once-${ruleId({ ...does, minute, days: [] })}`
    const group = groups.get(id) ?? { ...does, minute, dates: [] }
    groups.set(id, group)
    group.dates.push(utcDate(at))
  }
  return [...groups].map(([id, group]) => ({ id, ...group }))
}
