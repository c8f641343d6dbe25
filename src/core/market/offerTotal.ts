import type { RegionIndex } from '../catalogue/bookIndex.ts'
import type { Size, Terms } from '../catalogue/priceBook.ts'
import { withChosen } from '../carry/fittingSizes.ts'
import { openZones } from '../fit/apartChecks.ts'
import { fitReasons } from '../fit/fitReasons.ts'
import { exchanged } from '../machine/exchange.ts'
import type { Machine } from '../machine/plan.ts'
import type { ResolvedMachine } from '../machine/resolveMachine.ts'
import { machineTotal } from '../meter/machineTotal.ts'
import { withOffPlan } from '../off/offPlan.ts'
import { compare, toNumber, type Exact } from '../quantity/exact.ts'
import { countChanges } from '../search/countChanges.ts'
import { wayBound, waysFor } from './offerBound.ts'
import type { OfferAt } from './scanOffers.ts'
import type { SellerQuestion } from './sellerQuestion.ts'
import type { DiskSet } from './sizeGroup.ts'
import type { WayColumns } from './wayColumns.ts'

/** An offer with what the machine would be there, priced by the meter. */
export interface MarketOffer extends OfferAt {
  readonly place: RegionIndex
  readonly size: number
  readonly sold: Size
  readonly on: Terms
  readonly resolved: ResolvedMachine
  readonly machine: Machine
  /** The month in the currency of the machine that was asked about. */
  readonly total: Exact
}

/** A way with some of its disks, and the least that it can cost. */
interface Candidate {
  readonly way: WayColumns
  readonly disks: DiskSet
  readonly bound: number
}

/** Floating numbers may be off by so much before something that is dearer by them can be the cheaper one. */
export const isBeyond = (bound: number, least: number): boolean => bound > least * (1 + 1e-9) + 1e-9

/**
 * The cheapest that a machine can be with an offer: every way to be off, every image and all disks that can come to the
 * least are priced exactly. Of equally cheap ones, the one that changes least. Undefined where it does not fit after all.
 */
export function offerTotal(question: SellerQuestion, offer: OfferAt): MarketOffer | undefined {
  const { basis, form, rate } = question
  const { seller } = basis
  const before = form.resolved.machine
  let best: { resolved: ResolvedMachine; total: Exact; changes: number } | undefined
  for (const candidate of candidatesOf(question, offer)) {
    if (best && isBeyond(candidate.bound * rate, toNumber(best.total))) break
    const resolved = resolvedAs(question, offer, candidate)
    if (!resolved || fitReasons(resolved).length > 0) continue
    const own = machineTotal(resolved, seller.month, seller.shared)
    const total = own && exchanged(own, seller.exchange)
    if (!total) continue
    const order = best ? compare(total, best.total) : -1
    if (order > 0) continue
    const changes = countChanges(before, resolved.machine)
    if (order < 0 || changes < best!.changes) best = { resolved, total, changes }
  }
  if (!best) return undefined
  const { resolved, total } = best
  const { region: place, size: sold, terms: on, machine } = resolved
  return { ...offer, place, sold, on, resolved, machine, total }
}

/** The least bound first. */
function candidatesOf(question: SellerQuestion, { region, terms, size }: OfferAt): Candidate[] {
  const { columns } = question.basis
  const perHour = columns.perHour[(region * columns.terms.length + terms) * columns.sizes.length + size]!
  const candidates = waysFor(question, size).flatMap((way) => {
    const group = way.groups[way.groupAt[size]!]
    if (!group) return []
    const least = wayBound(question, way, region, terms, size, perHour)
    return group.disks.flatMap((disks): Candidate[] => {
      const bound = least + disks.beside[region]! - group.beside[region]!
      return Number.isNaN(bound) ? [] : [{ way, disks, bound }]
    })
  })
  return candidates.sort((a, b) => a.bound - b.bound)
}

function resolvedAs(
  { basis, form }: SellerQuestion,
  { region: regionAt, terms: termsAt, size: sizeAt }: OfferAt,
  { way: { way, fitting }, disks: { systemDisk, dataDisks } }: Candidate,
): ResolvedMachine | undefined {
  const { columns, seller } = basis
  const { index } = seller
  const region = columns.regions[regionAt]!
  const terms = columns.terms[termsAt]!
  const { size, chosen } = fitting(sizeAt)!
  const { machine: before } = form.resolved
  const provider = index.book.provider.id
  const isHome = before.provider === provider && before.region === region.region.id
  const open = openZones({ ...form.resolved, region, machine: { ...before, provider } }, size.id)
  const isOwn = isHome && open.includes(before.zone)
  const zone = isOwn ? before.zone : form.kept.has('place') ? undefined : open[0]
  if (zone === undefined) return undefined
  const machine: Machine = {
    ...withOffPlan(withChosen(before, chosen), way.off),
    provider,
    region: region.region.id,
    zone,
    size: size.id,
    image: way.image.id,
    terms: terms.id,
    systemDisk,
    dataDisks,
  }
  return {
    ...form.resolved,
    machine,
    index,
    region,
    size,
    image: way.image,
    terms,
    systemKind: index.diskKinds.get(systemDisk.kind)!,
    dataKinds: dataDisks.map(({ kind }) => index.diskKinds.get(kind)!),
  }
}
