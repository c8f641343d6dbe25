import type { WeekPlan } from '../calendar/weekPlan.ts'
import type { YearMonth } from '../calendar/yearMonth.ts'
import type { OffState } from '../power/powerState.ts'
import type { GiB } from '../quantity/units.ts'

/** The document that a person edits. Everything shown is derived from it, the price books and the month. */
export interface Plan {
  readonly name: string
  /** The month that opens first. */
  readonly month: YearMonth
  readonly weeks: readonly WeekPlan[]
  /** Names are unique. */
  readonly machines: readonly Machine[]
}

type AddressSort = 'none' | 'changing' | 'fixed'

export interface Machine {
  readonly name: string
  readonly purpose: string
  readonly needs: Needs
  /** Id of the provider, whose price book decides everything else. */
  readonly provider: string
  readonly region: string
  readonly zone: string
  readonly size: string
  readonly image: string
  readonly terms: string
  readonly systemDisk: Disk
  readonly dataDisks: readonly Disk[]
  readonly address: AddressSort
  /** Id of a week of the plan. */
  readonly week: string
  readonly off: OffState
}

/** The least that the machine must have. Zero asks for nothing. */
export interface Needs {
  readonly vcpu: number
  readonly memoryGiB: GiB
  readonly iops: number
}

interface Disk {
  readonly kind: string
  /** Room asked for; a kind sold by steps charges the next step up. */
  readonly roomGiB: GiB
}

/** Above these a plan is refused: nobody reads one table of that length, and it would stall the page. */
export const MOST_MACHINES = 5_000
export const MOST_WEEKS = 500
export const MOST_DATA_DISKS = 64
