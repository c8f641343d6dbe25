import type { Size, Terms } from '../catalogue/priceBook.ts'
import { shutdownState } from '../catalogue/statesSold.ts'
import { hourClock } from '../calendar/billingMonth.ts'
import { fitReasons } from '../fit/fitReasons.ts'
import type { Decision } from '../machine/decision.ts'
import type { Disk, Machine } from '../machine/plan.ts'
import type { ResolvedMachine } from '../machine/resolveMachine.ts'
import { restoredGiB } from '../machine/snapshots.ts'
import { hardwareReads } from '../meter/chargeReads.ts'
import { hourPieces } from '../meter/clockPieces.ts'
import { freeHours } from '../meter/freeShare.ts'
import { meterMachine } from '../meter/meterMachine.ts'
import type { MeteredMonth } from '../meter/meteredMonth.ts'
import type { PricedProvider } from '../meter/planPricing.ts'
import { offPlanKey, offStates, withOffPlan } from '../off/offPlan.ts'
import { gib } from '../quantity/units.ts'
import { dataDiskIn } from '../search/searchedChoices.ts'
import type { AskedForm, Way } from './askedForm.ts'
import { disksMonths, plainMonths } from './besideMonths.ts'
import { chargedHours } from './chargedHours.ts'
import { diskChoices, OF_PLACE_AND_TERMS, PLAIN_TERMS } from './diskChoices.ts'
import { marketColumns, type MarketColumns } from './marketColumns.ts'
import type { DiskSet, SizeGroup } from './sizeGroup.ts'
import { readsMemory, sizeShape } from './sizeShape.ts'

/**
 * What one seller charges a machine beside the price of sizes, worked out once for each shape of size and kept for as
 * long as week, month, account and the machine itself stay: another need of vCPU or memory, or another place, asks for
 * nothing of it again.
 */
export class SellerBasis {
  readonly columns: MarketColumns
  private readonly metered = new Map<string, MeteredMonth>()
  private readonly groups = new Map<string, SizeGroup>()
  private readonly dataDisks = new Map<string, readonly DataDisks[]>()

  readonly positions: ReadonlyMap<string, number>

  constructor(readonly seller: PricedProvider) {
    this.columns = marketColumns(seller.index, seller.month)
    this.positions = new Map(this.columns.sizes.map(({ id }, at) => [id, at]))
  }

  /** The groups of sizes for a machine in one way: a size's is found once for each of its shapes. */
  readonly groupsFor = (form: AskedForm, way: Way): ((size: Size) => SizeGroup) => {
    const { index } = this.seller
    const shutdown = shutdownState(form.resolved.week, index.book)
    const reads = readsMemory([...offStates(way.off), ...(shutdown ? [shutdown] : [])], index)
    const wayKey = `${way.image.id}|${offPlanKey(way.off)}`
    const ofForm = `${form.key}|${wayKey}`
    return (size) => {
      const shape = sizeShape(size, index, reads)
      const key = `${ofForm}|${shape}`
      let group = this.groups.get(key)
      if (!group) {
        makeRoom(this.groups)
        group = this.makeGroup(form, way, size, `${form.hoursKey}|${wayKey}|${shape}`)
        this.groups.set(key, group)
      }
      return group
    }
  }

  private makeGroup({ resolved: form, kept }: AskedForm, way: Way, size: Size, hoursKey: string): SizeGroup {
    const { index, month } = this.seller
    const { regions, terms } = this.columns
    const machine = machineAt(form.machine, index.book.provider.id, way, size)
    const here: ResolvedMachine = {
      ...form,
      machine,
      index,
      size,
      region: regions[0]!,
      image: way.image,
      terms: PLAIN_TERMS,
    }
    const disks = this.dataDisksOf(here).flatMap((data) => this.diskSets(here, data, hoursKey, kept))
    const hours = new Float64Array(terms.length).fill(NaN)
    const beside = new Float64Array(regions.length).fill(NaN)
    for (const set of disks) {
      takeLeast(beside, set.beside)
      takeLeast(hours, this.hoursOnTerms(here, set, hoursKey))
    }
    const licensed = disks.map(({ metered }) => hourPieces(metered.licence.pieces, month).ticks)
    return {
      hours,
      licenceHours: disks.length === 0 ? 0 : Math.min(...licensed) / hourClock(month).ticksPerHour,
      beside,
      disks,
      exists: disks.every(({ metered }) => metered.exists.ticks > 0),
    }
  }

  private diskSets(
    here: ResolvedMachine,
    { disks: dataDisks, isIn }: DataDisks,
    hoursKey: string,
    kept: ReadonlySet<Decision>,
  ): DiskSet[] {
    const { index, month, shared } = this.seller
    const dataKinds = dataDisks.map(({ kind }) => index.diskKinds.get(kind)!)
    const withData = { ...here, machine: { ...here.machine, dataDisks }, dataKinds }
    return diskChoices(withData, kept).map((systemDisk) => {
      const systemKind = index.diskKinds.get(systemDisk.kind)!
      const resolved = { ...withData, systemKind, machine: { ...withData.machine, systemDisk } }
      const metered = this.meter(resolved, hoursKey)
      const context = { index, metered, month, shared }
      const beside = disksMonths(resolved, context)
      const plain = plainMonths(resolved, context)
      for (let at = 0; at < beside.length; at += 1) beside[at] = isIn[at] ? beside[at]! + plain[at]! : NaN
      return { systemDisk, dataDisks, beside, metered }
    })
  }

  /** Once for each shape of size, and for what is brought back from snapshots. */
  private meter(resolved: ResolvedMachine, hoursKey: string): MeteredMonth {
    const key = `${hoursKey}|${resolved.terms.kind === 'flat'}|${restoredGiB(resolved)}`
    let metered = this.metered.get(key)
    if (!metered) {
      makeRoom(this.metered)
      this.metered.set(key, (metered = meterMachine(resolved, this.seller.month)))
    }
    return metered
  }

  private hoursOnTerms(
    here: ResolvedMachine,
    { systemDisk, dataDisks, metered }: DiskSet,
    hoursKey: string,
  ): Float64Array {
    const { index, month, shared } = this.seller
    const machine = { ...here.machine, systemDisk, dataDisks }
    return Float64Array.from(this.columns.terms, (terms) => {
      if (!allowsTerms(here, terms)) return NaN
      const resolved = { ...here, machine, terms }
      const onTerms = terms.kind === 'flat' ? this.meter(resolved, hoursKey) : metered
      const context = { index, metered: onTerms, month, shared }
      const free = terms.kind === 'on-demand' ? freeHours(hardwareReads(resolved), context)?.ticks : undefined
      return chargedHours(onTerms, terms, month, index.book, free)
    })
  }

  /** The data disks that the machine can have here, and in which regions it has them. */
  private dataDisksOf(here: ResolvedMachine): readonly DataDisks[] {
    const { machine, size } = here
    const key = JSON.stringify([size.diskKinds, machine.dataDisks])
    let found = this.dataDisks.get(key)
    if (!found) {
      makeRoom(this.dataDisks)
      this.dataDisks.set(key, (found = this.findDataDisks(here)))
    }
    return found
  }

  private findDataDisks(here: ResolvedMachine): DataDisks[] {
    const { regions } = this.columns
    const found = new Map<string, { disks: readonly Disk[]; isIn: Uint8Array }>()
    for (const [at, region] of regions.entries()) {
      const disks = dataDisksAt({ ...here, region })
      if (!disks) continue
      const key = disks.map(({ kind }) => kind).join()
      const known = found.get(key) ?? { disks, isIn: new Uint8Array(regions.length) }
      known.isIn[at] = 1
      found.set(key, known)
    }
    return [...found.values()]
  }
}

interface DataDisks {
  readonly disks: readonly Disk[]
  /** By region: 1 where it has these. */
  readonly isIn: Uint8Array
}

/** Of one seller; a group has some kilobytes. */
const MOST_KEPT = 4_000

function makeRoom(kept: Map<string, unknown>): void {
  if (kept.size >= MOST_KEPT) kept.clear()
}

/** Its vCPU and memory are looked at size by size: machines that need other ones share what is made of this. */
function machineAt(machine: Machine, provider: string, { image, off }: Way, size: Size): Machine {
  const needs = { ...machine.needs, vcpu: 0, memoryGiB: gib(0) }
  return { ...withOffPlan(machine, off), needs, provider, size: size.id, image: image.id }
}

function dataDisksAt(here: ResolvedMachine): readonly Disk[] | undefined {
  const disks = here.machine.dataDisks.flatMap((disk) => dataDiskIn(disk, here) ?? [])
  return disks.length === here.machine.dataDisks.length ? disks : undefined
}

const allowsTerms = (here: ResolvedMachine, terms: Terms): boolean =>
  fitReasons({ ...here, terms }, 'terms').every(({ code }) => OF_PLACE_AND_TERMS.has(code))

/** NaN is nothing: what is not sold takes part in no least. */
function takeLeast(least: Float64Array, values: Float64Array): void {
  for (let at = 0; at < least.length; at += 1) {
    const value = values[at]!
    if (!(least[at]! <= value) && !Number.isNaN(value)) least[at] = value
  }
}
