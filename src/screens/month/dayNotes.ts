import type { ShownDay } from '../../core/ledger/shownDays.ts'
import type { DailyCost } from '../../core/meter/dailyCosts.ts'
import type { WeekPlan } from '../../core/calendar/weekPlan.ts'
import { STATE_OF_PHASE, type PowerState } from '../../core/off/powerState.ts'
import type { Segment } from '../../core/power/timeline.ts'
import { lengthOf, SECONDS_PER_HOUR, type Span } from '../../core/quantity/units.ts'
import { formatMoney } from '../../wording/money'
import { DAY_NAMES, formatDay, formatDuration } from '../../wording/time'
import { weekdayOf } from '../../core/calendar/civil.ts'

const WHOLE_DAY = 24 * SECONDS_PER_HOUR

/** What is said of a day beside its cost: exceptions by name, and a length that is not 24 hours. */
export interface DayNotes {
  readonly exceptions: readonly string[]
  /** `23 h` where clocks change, or where the provider's month begins or ends inside the day. */
  readonly length: string | undefined
}

export function dayNotes({ day, span }: DailyCost, { exceptions }: WeekPlan): DayNotes {
  const today = exceptions.filter(({ from, to }) => from <= day && day <= to)
  // On wins wholly: a date that runs through is not said to stay off.
  const isOn = today.some(({ does }) => does === 'on')
  return {
    exceptions: today
      .filter(({ does }) => !isOn || does === 'on')
      .map(({ name, does }) => name ?? (does === 'off' ? 'stays off' : 'runs through')),
    length: lengthOf(span) === WHOLE_DAY ? undefined : formatDuration(lengthOf(span)),
  }
}

/** Segments of a day, joined where the power state stays the same. */
export interface Stay extends Span {
  readonly state: PowerState
}

export function staysOf(segments: readonly Segment[]): Stay[] {
  const stays: Stay[] = []
  for (const { phase, from, to } of segments) {
    const state = STATE_OF_PHASE[phase]
    const last = stays.at(-1)
    if (last?.state === state) stays[stays.length - 1] = { ...last, to }
    else stays.push({ state, from, to })
  }
  return stays
}

/** What a screen reader says of a day. */
export function daySentence(cost: ShownDay, currency: string, { exceptions, length }: DayNotes): string {
  const parts = [
    `${DAY_NAMES[weekdayOf(cost.day)]} ${formatDay(cost.day)}`,
    formatMoney(cost.shown, currency),
    `${formatDuration(cost.phases.get('running') ?? 0)} running`,
    ...exceptions,
    ...(length ? [`${length} long`] : []),
  ]
  return parts.join(', ')
}
