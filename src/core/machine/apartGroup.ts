/** Machines that must not fall together: how many of them may stand on what can fail at once. */
export interface ApartGroup {
  /** Unique in the plan. */
  readonly name: string
  /** At most so many in one zone; 1 or more, any number where absent. */
  readonly mostInZone?: number
  /** At most so many in one fault domain of a zone, where the price book names them. */
  readonly mostInFaultDomain?: number
}

/** That a machine is one of a group. */
export interface ApartNeed {
  /** Name of one of the plan's groups. */
  readonly group: string
  /** No other machine of the group stands in its region, let alone in its zone. */
  readonly sharesNothing?: boolean
}

export const MOST_APART_GROUPS = 500
export const MOST_TOGETHER = 1_000
