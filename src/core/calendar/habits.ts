/**
 * How people handle machines that they switch by hand, as the user guesses it. It changes no figure of the plan; an
 * expected month is made of it.
 */
export interface Habits {
  /** They start up to so many minutes before or after the times of the week. */
  readonly spreadMinutes: number
  /** Of a hundred times that they should switch off, how often they forget. */
  readonly forgottenPercent: number
  readonly idle?: IdleRule
}

/** Something switches a machine off when it has not been used for a while. */
export interface IdleRule {
  readonly afterMinutes: number
  /** How long a machine is unused in each window, in one stretch. */
  readonly unusedMinutes: number
}

export const MOST_SPREAD_MINUTES = 720
export const MOST_IDLE_MINUTES = 1_440
