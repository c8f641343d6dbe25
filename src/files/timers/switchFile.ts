import type { WeekWindow } from '../../core/calendar/weekPlan.ts'
import type { Instant } from '../../core/quantity/units.ts'

export interface Switched {
  readonly at: Instant
  readonly to: 'on' | 'off'
}

/** A schedule file as it was read, whatever its format. */
export interface SwitchFile {
  readonly name: string
  readonly timeZone: string
  /** In time order, at least one. */
  readonly switches: readonly [Switched, ...Switched[]]
  /** What seems to repeat each week. */
  readonly windows: readonly WeekWindow[]
  /** The week that the file says it was made of, as a plan file has it. */
  readonly said: unknown
}
