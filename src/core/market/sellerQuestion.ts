import { zonesSelling } from '../catalogue/bookIndex.ts'
import { ownValue } from '../ownValue.ts'
import type { PriceBook, Size, Terms } from '../catalogue/priceBook.ts'
import { fittingSizes, type FittingSize } from '../carry/fittingSizes.ts'
import { placeReasons } from '../fit/fitReasons.ts'
import { keptFor } from '../keptFor.ts'
import { neededImages } from '../machine/neededImages.ts'
import { toNumber } from '../quantity/exact.ts'
import { offPlansToTry, termsToTry, type SearchOptions } from '../search/searchedChoices.ts'
import { licenceHours, perVcpuHour } from './licenceColumns.ts'
import { BLOCK, monthHours } from './marketColumns.ts'
import type { AskedForm, SellerBasis, Way } from './sellerBasis.ts'
import type { SizeGroup } from './sizeGroup.ts'

/** One way to be off, with one image, laid out by size: what the loops over offers read. */
export interface WayColumns {
  readonly way: Way
  readonly groups: readonly SizeGroup[]
  /** By size: its place among the groups, or -1 where it does not fit. */
  readonly groupAt: Int32Array
  /** At `group × terms + terms`. */
  readonly hours: Float64Array
  /** At `group × regions + region`. */
  readonly beside: Float64Array
  /** By size: licences by vCPU in the month. */
  readonly licences: Float64Array
  /** By offer: licences that have prices beside sizes, for each hour. */
  readonly byOffer: readonly Float64Array[]
  /** By size: sizes of free choice with the vCPU and memory that were chosen. */
  readonly fitting: ReadonlyMap<number, FittingSize>
}

/**
 * A question put to one seller: which of its sizes, regions and terms may be, and what each offer costs at the least, in
 * the seller's currency. Bounds are floating numbers that are the true cost but for rounding, or below it where a price
 * goes by hours.
 */
export interface SellerQuestion {
  readonly basis: SellerBasis
  readonly form: AskedForm
  readonly ways: readonly WayColumns[]
  /** What an amount is multiplied by to be in the currency of the machine. */
  readonly rate: number
  /** By region: 1 where the machine may stand. */
  readonly regionOpen: Uint8Array
  readonly termsOpen: Uint8Array
  /** By region: the most vCPU that the account may have there. */
  readonly mostVcpu: Float64Array
  /** Fitting sizes, but for those of free choice, in order; and where each block of them begins. */
  readonly sizes: Int32Array
  readonly blocks: readonly SizeBlock[]
  /** Fitting sizes that leave vCPU and memory to choose. */
  readonly choices: readonly number[]
  /** What a machine that exists costs at the least in a month. */
  readonly minimum: number
}

/** Fitting sizes that share a least price: `from` to `to` in `sizes`. */
interface SizeBlock {
  readonly block: number
  readonly from: number
  readonly to: number
}

/** Undefined where the machine's currency has no rate to the seller's. O(sizes × ways) once shapes are known. */
export function sellerQuestion(
  basis: SellerBasis,
  form: AskedForm,
  isHome: boolean,
  options: SearchOptions,
): SellerQuestion | undefined {
  const { seller, columns } = basis
  const { exchange, index } = seller
  if (exchange.kind === 'missing') return undefined
  const { resolved, kept } = form
  const { machine } = resolved
  const { book } = index
  const isPlaced = kept.has('place')
  const here = { ...machine, provider: book.provider.id }
  const regionOpen = Uint8Array.from(columns.regions, (region) => {
    if (isPlaced && !(isHome && region.region.id === machine.region)) return 0
    return Number(placeReasons({ region, machine: here, users: resolved.users }).length === 0)
  })
  const open = new Set<Terms>(termsToTry(machine, columns.terms, kept, options))
  const images = kept.has('image') ? [resolved.image] : neededImages(machine, index)
  const isForAccount = forAccount(book)
  const isInZone = isPlaced && isHome ? soldInZone(resolved) : () => true
  const ways = images.flatMap((image) => {
    const fitting = fittingAt(basis, form, image, (size) => isForAccount(size) && isInZone(size))
    return offPlansToTry(machine, book, kept).map((off) => wayColumns(basis, form, { image, off }, fitting))
  })
  const fits = [...new Set(ways.flatMap(({ groupAt }) => fittingPositions(groupAt)))].sort((a, b) => a - b)
  const isChoice = new Set(columns.choices)
  const sizes = Int32Array.from(fits.filter((at) => !isChoice.has(at)))
  const quotas = book.account?.quotas
  return {
    basis,
    form,
    ways,
    rate: exchange.kind === 'rate' ? toNumber(exchange.value) : 1,
    regionOpen,
    termsOpen: Uint8Array.from(columns.terms, (terms) => Number(open.has(terms))),
    mostVcpu: Float64Array.from(
      columns.regions,
      ({ region }) => ownValue(quotas?.vcpuByRegion, region.id) ?? Infinity,
    ),
    sizes,
    blocks: blocksOf(sizes),
    choices: fits.filter((at) => isChoice.has(at)),
    minimum: Number(book.billing.minimumPerMachineMonth ?? 0),
  }
}

const soldInZone =
  ({ region, machine }: AskedForm['resolved']) =>
  ({ id }: Size): boolean =>
    zonesSelling(region, id).includes(machine.zone)

/** Whether the person's account may have a size at all; quotas of a region apart. */
const forAccount =
  ({ account }: PriceBook) =>
  ({ id, family, vcpu }: Size): boolean => {
    const { families, sizes, quotas } = account ?? {}
    if ((families || sizes) && !families?.includes(family) && !sizes?.includes(id)) return false
    return vcpu <= Math.min(quotas?.vcpu ?? Infinity, ownValue(quotas?.vcpuByFamily, family) ?? Infinity)
  }

/** Sizes that have what is needed wherever they are sold, by their position among the columns. */
function fittingAt(
  { columns, seller: { index } }: SellerBasis,
  { resolved, kept }: AskedForm,
  image: Way['image'],
  mayBe: (size: Size) => boolean,
): ReadonlyMap<number, FittingSize> {
  const { machine } = resolved
  const { vcpu, memoryGiB } = machine.needs
  // What has too little is passed over before it is asked why.
  const possible = columns.sizes.filter(
    (size) =>
      size.choice !== undefined ||
      (size.vcpu >= vcpu && size.memoryGiB >= memoryGiB && (!kept.has('size') || size.id === machine.size)),
  )
  const positions = positionsOf(columns.sizes)
  const found = fittingSizes(
    machine,
    image,
    { ...index, book: { ...index.book, sizes: possible } },
    resolved.size,
  )
  return new Map(
    found.flatMap((each) =>
      mayBe(each.size) && (!kept.has('size') || each.size.id === machine.size)
        ? [[positions.get(each.size.id)!, each] as const]
        : [],
    ),
  )
}

const positionsOf = keptFor(
  (sizes: readonly Size[]): ReadonlyMap<string, number> => new Map(sizes.map(({ id }, at) => [id, at])),
)

function wayColumns(
  basis: SellerBasis,
  form: AskedForm,
  way: Way,
  fitting: ReadonlyMap<number, FittingSize>,
): WayColumns {
  const { columns, seller } = basis
  const groupOf = basis.groupsFor(form, way)
  const positions = new Map<SizeGroup, number>()
  const groupAt = new Int32Array(columns.sizes.length).fill(-1)
  const licences = new Float64Array(columns.sizes.length)
  const perHour = licenceHours(form.resolved.machine, way.image, columns, monthHours(seller.month))
  for (const [at, { size }] of fitting) {
    const group = groupOf(size)
    if (group.disks.length === 0) continue
    let position = positions.get(group)
    if (position === undefined) positions.set(group, (position = positions.size))
    groupAt[at] = position
    licences[at] = perVcpuHour(perHour, size) * group.licenceHours
  }
  const groups = [...positions.keys()]
  return {
    way,
    groups,
    groupAt,
    hours: joined(groups.map(({ hours }) => hours)),
    beside: joined(groups.map(({ beside }) => beside)),
    licences,
    byOffer: perHour.byOffer,
    fitting,
  }
}

function joined(parts: readonly Float64Array[]): Float64Array {
  const length = parts[0]?.length ?? 0
  const all = new Float64Array(parts.length * length)
  for (const [at, part] of parts.entries()) all.set(part, at * length)
  return all
}

function fittingPositions(groupAt: Int32Array): number[] {
  const found: number[] = []
  for (let at = 0; at < groupAt.length; at += 1) if (groupAt[at]! >= 0) found.push(at)
  return found
}

function blocksOf(sizes: Int32Array): SizeBlock[] {
  const blocks: SizeBlock[] = []
  let from = 0
  while (from < sizes.length) {
    const block = Math.floor(sizes[from]! / BLOCK)
    let to = from
    while (to < sizes.length && Math.floor(sizes[to]! / BLOCK) === block) to += 1
    blocks.push({ block, from, to })
    from = to
  }
  return blocks
}
