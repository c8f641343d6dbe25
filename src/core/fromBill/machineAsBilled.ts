import { resolveMachine } from '../machine/resolveMachine.ts'
import { detailNumber, detailText } from '../bill/detail.ts'
import type { BillLine } from '../bill/billLine.ts'
import type { WeekPlan } from '../calendar/weekPlan.ts'
import { indexBook } from '../catalogue/bookIndex.ts'
import { kindsCarried } from '../catalogue/notKnown.ts'
import type { PriceBook, Size, Terms } from '../catalogue/priceBook.ts'
import { MOST_DATA_DISKS, type Disk, type Machine } from '../machine/plan.ts'
import { ownValue } from '../ownValue.ts'
import { gib, type Seconds } from '../quantity/units.ts'
import { meterClass } from '../reconcile/meterClass.ts'
import { plainName } from '../reconcile/plainName.ts'
import { freeMachineName } from './freeMachineName.ts'
import { billedDisks } from './billedDisks.ts'
import type { BilledMachine } from './billedMachines.ts'

const KINDS: ReadonlyMap<string, readonly Terms['kind'][]> = new Map([['Dynamic', ['spot']]])
const USUAL_KINDS: readonly Terms['kind'][] = ['on-demand', 'flat']

/**
 * A machine of a bill on the prices of a plan’s own book: size, place, image and disks by their names, or the
 * first that the book has. Undefined where the book has no such size or nowhere to put it. `month` is the length of the whole month.
 */
export function machineAsBilled(
  billed: BilledMachine,
  book: PriceBook,
  week: WeekPlan,
  month: Seconds,
): Machine | undefined {
  const index = indexBook(book)
  const time = billed.lines.filter((line) => meterClass(line) === 'machine-time')
  const [first] = time
  const size = first && sizeOf(billed, first, book)
  if (!size) return undefined
  const region = placeOf(first, size, book)
  const terms = termsOf(first, book)
  const image = imageOf(billed, size, book)
  if (!region || !terms || !image) return undefined
  const prices = ownValue(book.prices, region.id)!
  const sold = kindsCarried(size, index).filter(
    ({ id, room }) => room.by === 'size' || ownValue(prices.disks, id) !== undefined,
  )
  const usual = sold.find(({ boots }) => boots)
  const disks = billedDisks(
    billed.lines.filter((line) => meterClass(line) === 'disk'),
    billed.resources,
    month,
  ).map(({ name, roomGiB }): Disk | undefined => {
    const kind = sold.find((each) => isNamed(each, name)) ?? usual
    return kind && { kind: kind.id, roomGiB: gib(roomGiB) }
  })
  const [systemDisk, ...dataDisks] = disks.filter((disk) => disk !== undefined)
  const system = systemDisk ?? (usual && { kind: usual.id, roomGiB: image.least?.diskGiB ?? gib(32) })
  if (!system) return undefined
  const hasAddress = billed.lines.some((line) => meterClass(line) === 'address')
  const { fixed, changing } = prices.addresses
  const machine: Machine = {
    name: freeMachineName(billed.name, new Set()),
    purpose: '',
    needs: { vcpu: size.vcpu, memoryGiB: size.memoryGiB, iops: 0 },
    provider: book.provider.id,
    region: region.id,
    zone: region.zones.find((zone) => plainName(zone) === plainName(first.zone)) ?? region.zones[0]!,
    size: size.id,
    image: image.id,
    terms: terms.id,
    systemDisk: system,
    dataDisks: dataDisks.slice(0, MOST_DATA_DISKS),
    address: !hasAddress ? 'none' : fixed ? 'fixed' : changing ? 'changing' : 'none',
    week: week.id,
    off: book.states.deallocated ? 'deallocated' : book.states.stopped ? 'stopped' : 'running',
  }
  return resolveMachine(machine, { weeks: [week] }, index).ok ? machine : undefined
}

interface Named {
  readonly id: string
  readonly name: string
}

const isNamed = ({ id, name }: Named, text: string): boolean =>
  text !== '' && [id, name].some((each) => plainName(each) === plainName(text))

/** By its name; else the first that has just as many vCPU and as much memory as the bill says. */
function sizeOf(
  { details }: BilledMachine,
  { sku, meter }: BillLine,
  { sizes }: PriceBook,
): Size | undefined {
  const names = [detailText(details.get('InstanceType')), sku, meter].filter((name) => name !== undefined)
  for (const name of names) {
    const named = sizes.find((each) => isNamed(each, name))
    if (named) return named
  }
  const [vcpu, memory] = [detailNumber(details.get('CoreCount')), detailNumber(details.get('MemorySize'))]
  if (vcpu === undefined || memory === undefined) return undefined
  return sizes.find((each) => each.vcpu === vcpu && each.memoryGiB === memory)
}

/** The region that the bill names, or the first that sells the size. */
function placeOf({ region }: BillLine, { id }: Size, { regions, prices }: PriceBook) {
  const selling = regions.filter((each) => ownValue(ownValue(prices, each.id)?.sizes, id) !== undefined)
  return selling.find((each) => isNamed(each, region)) ?? selling[0]
}

const termsOf = ({ pricing }: BillLine, { terms }: PriceBook): Terms | undefined => {
  const kinds = KINDS.get(pricing) ?? USUAL_KINDS
  return (
    terms.find(({ kind }) => kinds.includes(kind)) ?? terms.find(({ kind }) => USUAL_KINDS.includes(kind))
  )
}

/** The system that the bill names, or one that costs nothing more. */
function imageOf({ details }: BilledMachine, { architecture }: Size, { images }: PriceBook) {
  const name = detailText(details.get('OperatingSystem')) ?? ''
  const runs = images.filter(
    ({ architectures }) =>
      architectures === undefined || architecture === undefined || architectures.includes(architecture),
  )
  return (
    runs.find((each) => isNamed(each, name)) ??
    runs.find(({ licence, subscription }) => licence === undefined && subscription === undefined) ??
    runs[0]
  )
}
