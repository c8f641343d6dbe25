import type { MeteredMonth } from '../meter/meteredMonth.ts'
import type { Disk } from '../machine/plan.ts'

/**
 * What sizes of one shape have in common for a machine that is off in one way, with one image: floating numbers in the
 * seller's currency, for bounds.
 */
export interface SizeGroup {
  /** By terms of the book: charged hours, NaN where the terms do not allow it. */
  readonly hours: Float64Array
  /** Hours in which licences are charged. */
  readonly licenceHours: number
  /** By region: disks, address, memory on disk, traffic and all that does not go by the size; NaN where it cannot be. */
  readonly beside: Float64Array
  /** The disks that it can have; a region's `beside` is that of the cheapest of them there. */
  readonly disks: readonly DiskSet[]
  /** Whether there is something for a provider's least month. */
  readonly exists: boolean
}

/** The disks of a machine, and all that does not go by the size with them, by region; NaN where it cannot be so. */
export interface DiskSet {
  readonly systemDisk: Disk
  readonly dataDisks: readonly Disk[]
  readonly beside: Float64Array
  readonly metered: MeteredMonth
}
