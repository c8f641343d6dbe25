import { openZones, zoneReason } from '../fit/apartChecks.ts'
import { placeReasons } from '../fit/fitReasons.ts'
import type { ResolvedMachine } from '../machine/resolveMachine.ts'
import { ownValue } from '../ownValue.ts'
import { toNumber } from '../quantity/exact.ts'
import { termsToTry, type SearchOptions } from '../search/searchedChoices.ts'
import { BLOCK } from './marketColumns.ts'
import type { AskedForm } from './askedForm.ts'
import type { SellerBasis } from './sellerBasis.ts'
import { sellerShelf } from './sellerShelf.ts'
import type { WayColumns } from './wayColumns.ts'

/**
 * A question put to one seller: which of its sizes, regions and terms may be, and what each offer costs at the least, in
 * the seller's currency. Bounds are floating numbers that are the true cost but for rounding, or below it where a price
 * goes by hours.
 */
export interface SellerQuestion {
  readonly basis: SellerBasis
  readonly form: AskedForm
  readonly ways: readonly WayColumns[]
  /** The same for sizes that leave vCPU and memory to choose. */
  readonly choiceWays: readonly WayColumns[]
  /** What an amount is multiplied by to be in the currency of the machine. */
  readonly rate: number
  /** By region: 1 where the machine may stand. */
  readonly regionOpen: Uint8Array
  /** By region: sizes that only zones sell which the machine's group has filled. */
  readonly full: readonly (ReadonlySet<number> | undefined)[]
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
    if (isPlaced && zoneReason({ ...resolved, region, machine: here }, machine.zone)) return 0
    return Number(placeReasons({ ...resolved, region, machine: here }).length === 0)
  })
  const open = new Set(termsToTry(machine, columns.terms, kept, options))
  const shelf = sellerShelf(basis, form, isHome)
  const { ways } = shelf
  const choiceWays = shelf.choiceWays(form)
  const sizes = fittingSizes(basis, form, ways)
  const byRegion = book.account?.quotas?.vcpuByRegion
  return {
    basis,
    form,
    ways,
    choiceWays,
    rate: exchange.kind === 'rate' ? toNumber(exchange.value) : 1,
    regionOpen,
    full: columns.regions.map((region, at) =>
      regionOpen[at] === 0 ? undefined : fullIn({ ...resolved, region, machine: here }, basis),
    ),
    termsOpen: Uint8Array.from(columns.terms, (terms) => Number(open.has(terms))),
    mostVcpu: Float64Array.from(columns.regions, ({ region }) => ownValue(byRegion, region.id) ?? Infinity),
    sizes,
    blocks: blocksOf(sizes),
    choices: columns.choices.filter((at) => canBe(choiceWays, at)),
    minimum: Number(book.billing.minimumPerMachineMonth ?? 0),
  }
}

/** O(sizes) for a machine that is kept apart from others there. */
function fullIn(there: ResolvedMachine, { columns }: SellerBasis): ReadonlySet<number> | undefined {
  const { zones } = there.region.region
  if (zones.every((zone) => !zoneReason(there, zone))) return undefined
  const sizes = [...columns.sizes.keys()]
  return new Set(sizes.filter((at) => openZones(there, columns.sizes[at]!.id).length === 0))
}

/** Asks every way, so that each knows the size. */
function canBe(ways: readonly WayColumns[], at: number): boolean {
  let can = false
  for (const way of ways) if (way.has(at)) can = true
  return can
}

function fittingSizes(
  { columns }: SellerBasis,
  { resolved }: AskedForm,
  ways: readonly WayColumns[],
): Int32Array {
  const { vcpu, memoryGiB } = resolved.machine.needs
  const found = new Int32Array(columns.sizes.length)
  let count = 0
  for (let at = 0; at < found.length; at += 1) {
    if (columns.vcpu[at]! < vcpu || columns.memoryGiB[at]! < memoryGiB || !canBe(ways, at)) continue
    found[count] = at
    count += 1
  }
  return found.subarray(0, count)
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
