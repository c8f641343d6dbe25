import { zonesSelling } from '../catalogue/bookIndex.ts'
import type { Image, PriceBook, Size } from '../catalogue/priceBook.ts'
import { fittingSizes, type FittingSize } from '../carry/fittingSizes.ts'
import { keptFor } from '../keptFor.ts'
import { neededImages } from '../machine/neededImages.ts'
import type { Machine } from '../machine/plan.ts'
import { ownValue } from '../ownValue.ts'
import { gib } from '../quantity/units.ts'
import { offPlansToTry } from '../search/searchedChoices.ts'
import type { AskedForm } from './askedForm.ts'
import type { SellerBasis } from './sellerBasis.ts'
import { WayColumns } from './wayColumns.ts'

/**
 * Every way in which a machine can be at a seller, but for how much vCPU and memory it needs and where it may stand: what
 * questions have in common that differ in those alone.
 */
export interface SellerShelf {
  /** With sizes as they are sold. */
  readonly ways: readonly WayColumns[]
  /** With sizes that leave vCPU and memory to choose, which depends on what is needed. */
  readonly choiceWays: (form: AskedForm) => readonly WayColumns[]
}

const shelvesOf: (basis: SellerBasis) => Map<string, SellerShelf> = keptFor(() => new Map())

/** Of one seller: 40 kilobytes each for a thousand sizes. */
const MOST_KEPT = 32

/** Made once for a basis and all that a machine needs but for those. */
export function sellerShelf(basis: SellerBasis, form: AskedForm, isHome: boolean): SellerShelf {
  const kept = shelvesOf(basis)
  let shelf = kept.get(form.key)
  if (!shelf) {
    if (kept.size >= MOST_KEPT) kept.clear()
    kept.set(form.key, (shelf = fillShelf(basis, form, isHome)))
  }
  return shelf
}

function fillShelf(basis: SellerBasis, form: AskedForm, isHome: boolean): SellerShelf {
  const { index } = basis.seller
  const { resolved, kept } = form
  const { machine } = resolved
  const images = kept.has('image') ? [resolved.image] : neededImages(machine, index)
  const anyLarge = { ...machine, needs: { ...machine.needs, vcpu: 0, memoryGiB: gib(0) } }
  const fixed = basis.columns.sizes.filter(({ choice }) => choice === undefined)
  const choices = basis.columns.choices.map((at) => basis.columns.sizes[at]!)
  const waysOf = (of: AskedForm, asked: Machine, sizes: readonly Size[]): WayColumns[] =>
    images.flatMap((image) => {
      const fitting = fittingAt(basis, of, asked, image, sizes, isHome)
      const at = (position: number): FittingSize | undefined => fitting.get(position)
      return offPlansToTry(machine, index.book, kept).map(
        (off) => new WayColumns(basis, of, { image, off }, at),
      )
    })
  return {
    ways: waysOf(form, anyLarge, fixed),
    choiceWays: (of) => (choices.length === 0 ? [] : waysOf(of, of.resolved.machine, choices)),
  }
}

/** Sizes that have what is needed wherever they are sold, by their position among the columns. */
function fittingAt(
  { seller: { index }, positions }: SellerBasis,
  { resolved, kept }: AskedForm,
  asked: Machine,
  image: Image,
  sizes: readonly Size[],
  isHome: boolean,
): ReadonlyMap<number, FittingSize> {
  const isForAccount = forAccount(index.book)
  const isPlacedHere = kept.has('place') && isHome
  const possible = kept.has('size') ? sizes.filter(({ id }) => id === asked.size) : sizes
  const narrowed = { ...index, book: { ...index.book, sizes: possible } }
  return new Map(
    fittingSizes(asked, image, narrowed, resolved.size, resolved.held).flatMap((each) => {
      const { size } = each
      const isSold = !isPlacedHere || zonesSelling(resolved.region, size.id).includes(asked.zone)
      return isSold && isForAccount(size) ? [[positions.get(size.id)!, each] as const] : []
    }),
  )
}

/** Whether the person's account may have a size at all; quotas of a region apart. */
const forAccount =
  ({ account }: PriceBook) =>
  ({ id, family, vcpu }: Size): boolean => {
    const { families, sizes, quotas } = account ?? {}
    if ((families || sizes) && !families?.includes(family) && !sizes?.includes(id)) return false
    return vcpu <= Math.min(quotas?.vcpu ?? Infinity, ownValue(quotas?.vcpuByFamily, family) ?? Infinity)
  }
