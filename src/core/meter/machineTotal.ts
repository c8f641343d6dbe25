import type { BillingMonth, MonthReading } from '../calendar/billingMonth.ts'
import { lackedState } from '../catalogue/statesSold.ts'
import type { ResolvedMachine } from '../machine/resolveMachine.ts'
import { add, type Exact } from '../quantity/exact.ts'
import { chargeBelongings, chargeHardware, meterMachine, totalOf, type ChargedPart } from './chargeMachine.ts'
import type { MeteredMonth } from './meteredMonth.ts'
import type { SharedAccount } from './sharedAccount.ts'

type Inputs = Parameters<ChargedPart>
type Totals = Map<string, Exact | undefined>

/** The totals of both parts of a machine under one schedule and account, by all else that they are charged by. */
interface PartTotals {
  readonly hardware: Totals
  readonly belongings: Totals
  /** The last belongings, known by themselves: a thousand sizes have them in common, and need not spell them out. */
  last?: Belongings
}

/** About 300 bytes each. */
const MOST_KEPT = 8_192

const ALONE: object = {}
const kept = new WeakMap<MeteredMonth, WeakMap<object, PartTotals>>()

/**
 * The month's exact total, or undefined where it has no price. What every choice of every plate is compared by: the
 * charges are those of `chargeMachine`, and a part that was charged before is not charged anew. So all sizes of a book
 * are charged once; when another notch is moved, each costs a look-up.
 */
export function machineTotal(
  resolved: ResolvedMachine,
  month: BillingMonth,
  shared?: SharedAccount,
): Exact | undefined {
  if (lackedState(resolved.machine, resolved.index.book)) return undefined
  const metered = meterMachine(resolved, month)
  const totals = totalsOf(metered, shared)
  const inputs: Inputs = [resolved, metered, month, shared]
  const hardware = partTotal(totals.hardware, hardwareKey(resolved, month), chargeHardware, inputs)
  if (!hardware) return undefined
  let { last } = totals
  if (!last || !isOf(last, resolved, month)) {
    const { machine, region, image } = resolved
    const total = partTotal(totals.belongings, belongingsKey(resolved, month), chargeBelongings, inputs)
    totals.last = last = { machine, region, image, reading: month.reading, total }
  }
  return last.total && add(hardware, last.total)
}

function totalsOf(metered: MeteredMonth, shared: SharedAccount | undefined): PartTotals {
  let ofMonth = kept.get(metered)
  if (!ofMonth) kept.set(metered, (ofMonth = new WeakMap()))
  let totals = ofMonth.get(shared ?? ALONE)
  if (!totals) ofMonth.set(shared ?? ALONE, (totals = { hardware: new Map(), belongings: new Map() }))
  return totals
}

function partTotal(totals: Totals, key: string, part: ChargedPart, inputs: Inputs): Exact | undefined {
  const known = totals.get(key)
  if (known || totals.has(key)) return known
  const charges = part(...inputs)
  const total = 'code' in charges ? undefined : totalOf(charges)
  if (totals.size >= MOST_KEPT) totals.clear()
  totals.set(key, total)
  return total
}

/** All that `chargeHardware` reads beside the metered month, the book and the account. */
function hardwareKey({ machine, size, region, terms, image }: ResolvedMachine, month: BillingMonth): string {
  const { name, ownLicence, trafficOutGiB } = machine
  const ofSize = `${size.id} ${size.vcpu} ${size.memoryGiB} ${region.region.id} ${terms.id} ${image.id}`
  return `${ofSize} ${ownLicence} ${trafficOutGiB} ${month.reading} ${name}`
}

/** All that `chargeBelongings` reads beside the metered month, the book and the account. */
function belongingsKey({ machine, region, image }: ResolvedMachine, month: BillingMonth): string {
  const { systemDisk, dataDisks, address, addressGoes, name } = machine
  const own = [systemDisk, dataDisks, address, addressGoes, name]
  return JSON.stringify([...own, region.region.id, image.id, month.reading])
}

interface Belongings extends Pick<ResolvedMachine, 'machine' | 'region' | 'image'> {
  readonly reading: MonthReading
  readonly total: Exact | undefined
}

const isOf = (last: Belongings, { machine, region, image }: ResolvedMachine, month: BillingMonth): boolean =>
  last.machine.systemDisk === machine.systemDisk &&
  last.machine.dataDisks === machine.dataDisks &&
  last.machine.address === machine.address &&
  last.machine.addressGoes === machine.addressGoes &&
  last.machine.name === machine.name &&
  last.region === region &&
  last.image === image &&
  last.reading === month.reading
