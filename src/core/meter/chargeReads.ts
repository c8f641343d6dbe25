import type { BillingMonth } from '../calendar/billingMonth.ts'
import type { BookIndex, RegionIndex } from '../catalogue/bookIndex.ts'
import type { Size } from '../catalogue/priceBook.ts'
import type { Machine } from '../machine/plan.ts'
import type { ResolvedDisk, ResolvedMachine } from '../machine/resolveMachine.ts'
import { restoredGiB } from '../machine/snapshots.ts'
import type { GiB } from '../quantity/units.ts'
import type { MeteredMonth } from './meteredMonth.ts'

/** A machine's book, when each of its meters ran, and the month. */
export interface MeteredContext {
  readonly index: BookIndex
  readonly metered: MeteredMonth
  readonly month: BillingMonth
}

/** Every field is named, also one that the machine leaves out. */
type NamedFields<T, K extends keyof T> = { readonly [Field in K]-?: T[Field] | undefined } & {
  readonly [Field in K as undefined extends T[Field] ? never : Field]: T[Field]
}

/**
 * All that the charges of the hardware may read of a machine: plain values and ids of the book. Machines that agree in
 * them are charged once, so a rule that needs one more field has to name it here first.
 */
export interface HardwareReads
  extends
    NamedFields<Size, 'vcpu' | 'cores' | 'memoryGiB' | 'includedTrafficGiB'>,
    NamedFields<Machine, 'ownLicence' | 'trafficOutGiB'> {
  /** Its name, by which the account knows it. */
  readonly machine: string
  readonly size: string
  readonly sizeName: string
  readonly region: string
  readonly terms: string
  readonly image: string
}

/** The same of what a machine has beside its hardware. */
export interface BelongingsReads extends NamedFields<
  Machine,
  'systemDisk' | 'dataDisks' | 'address' | 'addressGoes'
> {
  readonly machine: string
  readonly region: string
  readonly image: string
  /** See `restoredGiB`. */
  readonly restoredGiB: GiB
}

export const hardwareReads = ({ machine, size, region, terms, image }: ResolvedMachine): HardwareReads => ({
  machine: machine.name,
  size: size.id,
  sizeName: size.name,
  vcpu: size.vcpu,
  cores: size.cores,
  memoryGiB: size.memoryGiB,
  includedTrafficGiB: size.includedTrafficGiB,
  region: region.region.id,
  terms: terms.id,
  image: image.id,
  ownLicence: machine.ownLicence,
  trafficOutGiB: machine.trafficOutGiB,
})

export function belongingsReads(resolved: ResolvedMachine): BelongingsReads {
  const { machine, region, image } = resolved
  return {
    machine: machine.name,
    region: region.region.id,
    image: image.id,
    systemDisk: machine.systemDisk,
    dataDisks: machine.dataDisks,
    address: machine.address,
    addressGoes: machine.addressGoes,
    restoredGiB: restoredGiB(resolved),
  }
}

type InBook = Pick<MeteredContext, 'index'>

/** A resolved machine's names are known to its book. */
export const regionOf = ({ region }: { readonly region: string }, { index }: InBook): RegionIndex =>
  index.regions.get(region)!

export function disksOfReads(
  { systemDisk, dataDisks }: Pick<BelongingsReads, 'systemDisk' | 'dataDisks'>,
  { index }: InBook,
): ResolvedDisk[] {
  return [systemDisk, ...dataDisks].map((disk, position) => ({
    position,
    disk,
    kind: index.diskKinds.get(disk.kind)!,
  }))
}
