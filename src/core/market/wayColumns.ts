import type { FittingSize } from '../carry/fittingSizes.ts'
import type { Machine } from '../machine/plan.ts'
import { licenceHours, perVcpuHour, type LicenceHours } from './licenceColumns.ts'
import { monthHours } from './marketColumns.ts'
import type { AskedForm, Way } from './askedForm.ts'
import type { SellerBasis } from './sellerBasis.ts'
import type { SizeGroup } from './sizeGroup.ts'

const UNKNOWN = -2
const NOT_POSSIBLE = -1

/**
 * One way to be off, with one image, laid out by size: what the loops over offers read. A size's group is found when it is
 * first asked for.
 */
export class WayColumns {
  readonly groups: SizeGroup[] = []
  /** By size: its place among the groups; below zero where it is not possible, or was not asked for. */
  readonly groupAt: Int32Array
  /** By size: licences by vCPU in the month. */
  readonly licences: Float64Array
  /** By offer: licences that have prices beside sizes, for each hour. */
  readonly byOffer: readonly Float64Array[]
  private readonly positions = new Map<SizeGroup, number>()
  private readonly perHour: LicenceHours
  private readonly groupOf: (size: FittingSize['size']) => SizeGroup

  constructor(
    { columns, groupsFor, seller }: Pick<SellerBasis, 'columns' | 'groupsFor' | 'seller'>,
    form: AskedForm,
    readonly way: Way,
    /** A size that has what is needed wherever it is sold, by its position; with the vCPU and memory that were chosen. */
    readonly fitting: (at: number) => FittingSize | undefined,
  ) {
    const machine: Machine = form.resolved.machine
    this.groupAt = new Int32Array(columns.sizes.length).fill(UNKNOWN)
    this.licences = new Float64Array(columns.sizes.length)
    this.perHour = licenceHours(machine, way.image, columns, monthHours(seller.month))
    this.byOffer = this.perHour.byOffer
    this.groupOf = groupsFor(form, way)
  }

  /** Whether the machine can be so with a size. */
  has(at: number): boolean {
    const known = this.groupAt[at]!
    if (known !== UNKNOWN) return known >= 0
    const found = this.fitting(at)
    const group = found && this.groupOf(found.size)
    if (!group || group.disks.length === 0) {
      this.groupAt[at] = NOT_POSSIBLE
      return false
    }
    let position = this.positions.get(group)
    if (position === undefined) {
      this.positions.set(group, (position = this.groups.length))
      this.groups.push(group)
    }
    this.groupAt[at] = position
    this.licences[at] = perVcpuHour(this.perHour, found.size) * group.licenceHours
    return true
  }
}
