import Fraction from 'fraction.js'
import type { WeekPlan } from '../calendar/weekPlan.ts'
import type { DiskKind, PriceBook, StateRow, Terms } from '../catalogue/priceBook.ts'
import type { Disk, Machine } from '../machine/plan.ts'
import type { PowerState } from '../off/powerState.ts'
import { shutdownsOf, walkMinutes } from './walkMinutes.ts'
import { readerInstant } from './zoneReader.ts'

/**
 * A meter as plain as can be, only for tests: it walks the minutes around a month, second by second where something
 * changes, switches each machine as a person with a stop watch would, serves shared pools in the order of the plan, and
 * adds up what each clock has counted with a rational library. It reads the price book itself and shares no code with
 * the real meter.
 */
export function simpleMeter(inputs: SimpleInputs): Map<string, Fraction> {
  const { book, month } = inputs
  const longest = inputs.machines.flatMap((machine) => {
    const { off, longGaps = [] } = machine
    const states = [off, ...longGaps.map((gap) => gap.off)]
    const through = (state: PowerState): boolean =>
      ['compute', 'licence', 'flat'].some((meter) => isCounted(meter as RunMeter, machine, state, book))
    return [
      // A run that goes through gaps began within a week, or never.
      states.some(through) ? 8 * DAY : 0,
      ...longGaps.map((gap) => gap.fromMinutes * 60),
    ]
  })
  // A week's gap at the ends of the walk must be whole where it counts what began it.
  const margin =
    3 * DAY + Math.max(0, ...longest, ...inputs.weeks.map((week) => (week.autoShutdown?.off ? 8 * DAY : 0)))
  const machines = inputs.machines.map((machine) => newClocks(machine, inputs, margin))
  const pools = (book.freeAllowances ?? []).map((allowance) => ({
    allowance,
    left:
      allowance.hoursPerMonth === undefined
        ? allowance.gibPerMonth! * 1_024 * (month.to - month.from)
        : allowance.hoursPerMonth * 3_600 * hourScale(inputs).period,
    until: endOfDate(allowance.until, book.billingZone),
    most: 60 * mostPerSecond(allowance, inputs),
  }))
  const start = month.from - margin
  for (let minute = start; minute < month.to + margin; minute += 60) {
    const quiet = machines.every((clocks) => isQuiet(clocks, minute, start))
    // A pool that could run dry within the minute is watched second by second.
    const calm =
      quiet &&
      pools.every(({ left, until, most }) => left === 0 || (left > most && Math.abs(until - minute) > 60))
    const step = calm ? 60 : 1
    for (let second = minute; second < minute + 60; second += step) {
      for (const clocks of machines) switchOver(clocks, second, start, inputs, pools)
      for (const clocks of machines) count(clocks, second, step, inputs, pools)
    }
  }
  return new Map(machines.map((clocks) => [clocks.machine.name, priceOf(clocks, inputs, machines)]))
}

const DAY = 86_400

export interface SimpleInputs {
  readonly machines: readonly Machine[]
  readonly weeks: readonly WeekPlan[]
  readonly book: PriceBook
  readonly month: { readonly from: number; readonly to: number }
  readonly reading: 'calendar' | '730-hours'
}

interface SimplePool {
  readonly allowance: NonNullable<PriceBook['freeAllowances']>[number]
  left: number
  readonly until: number
  /** What a minute can take at the most. */
  readonly most: number
}

const mostPerSecond = (allowance: SimplePool['allowance'], inputs: SimpleInputs): number =>
  allowance.hoursPerMonth === undefined
    ? inputs.machines.reduce(
        (sum, machine) =>
          sum + disksOf(machine).reduce((all, disk) => all + roomOf(disk, machine, inputs.book) * 1_024, 0),
        0,
      )
    : inputs.machines.length * hourScale(inputs).second

/** Machine time by the state table, licences, and machine time of a flat plan. */
const RUN_METERS = ['compute', 'licence', 'flat'] as const
type RunMeter = (typeof RUN_METERS)[number]

const isCounted = (
  meter: RunMeter,
  machine: Machine,
  state: PowerState | undefined,
  book: PriceBook,
): boolean =>
  state !== undefined &&
  (meter === 'flat'
    ? termsOf(machine, book).kind === 'flat' && state !== 'deleted'
    : book.states[state]?.[meter] === true)

/** What one machine's stop watches have counted. */
interface Clocks {
  readonly machine: Machine
  /** In each minute: up, or the state that it is off in. */
  readonly wanted: readonly PowerState[]
  state: PowerState
  readonly free: { compute: number; readonly disks: number[] }
  up: boolean
  busyUntil: number
  run: { [meter in RunMeter]: number }
  counted: { [meter in RunMeter | 'memory' | 'exists' | 'there' | 'running']: number }
  address: { attachedOn: number; attachedOff: number; unattached: number }
  creations: number
  wasUp: boolean
  /** There from when to when; gone a little later, where it is on when it is deleted. */
  readonly life: { readonly from: number; readonly to: number; gone: number }
}

const sizeOf = (machine: Machine, book: PriceBook) => {
  const size = book.sizes.find(({ id }) => id === machine.size)!
  return size.choice && machine.chosen ? { ...size, ...machine.chosen } : size
}

const disksOf = (machine: Machine): readonly Disk[] => [machine.systemDisk, ...machine.dataDisks]

const kindOf = (disk: Disk, book: PriceBook): DiskKind => book.diskKinds.find(({ id }) => id === disk.kind)!

const imageOf = (machine: Machine, book: PriceBook) => book.images.find(({ id }) => id === machine.image)!

const termsOf = (machine: Machine, book: PriceBook): Terms =>
  book.terms.find(({ id }) => id === machine.terms)!

const endOfDate = (date: string, timeZone: string): number =>
  readerInstant(timeZone, Date.parse(date) / 1_000 + DAY)

function newClocks(machine: Machine, { weeks, month, book }: SimpleInputs, margin: number): Clocks {
  const week = weeks.find(({ id }) => id === machine.week)!
  const [from, to] = [month.from - margin, month.to + margin]
  const shutdowns = new Set(shutdownsOf(week, from - DAY, to + DAY))
  const byShutdown = week.autoShutdown?.off
  const wanted = statesOf(machine, walkMinutes(week, from, to), (minute) =>
    byShutdown && book.states[byShutdown] && shutdowns.has(from + minute * 60) ? byShutdown : undefined,
  )
  return {
    machine,
    wanted,
    state: wanted.find((state) => state !== 'running') ?? 'running',
    free: { compute: 0, disks: disksOf(machine).map(() => 0) },
    up: false,
    busyUntil: -Infinity,
    run: { compute: 0, licence: 0, flat: 0 },
    counted: { compute: 0, licence: 0, flat: 0, memory: 0, exists: 0, there: 0, running: 0 },
    address: { attachedOn: 0, attachedOff: 0, unattached: 0 },
    creations: 0,
    wasUp: false,
    life: lifeOf(machine, week),
  }
}

/** Each minute off by how long its gap is, or by the shutdown at its beginning; what the walk cuts off counts as without end. */
function statesOf(
  { off, longGaps = [] }: Machine,
  on: readonly boolean[],
  shutAt: (minute: number) => PowerState | undefined,
): PowerState[] {
  const states: PowerState[] = []
  for (let minute = 0; minute < on.length;) {
    let end = minute
    while (end < on.length && on[end] === on[minute]) end += 1
    const length = minute === 0 || end === on.length ? Infinity : end - minute
    const long = longGaps.filter((gap) => length >= gap.fromMinutes).at(-1)
    const own = long?.off ?? off
    const state = own === 'running' || minute === 0 ? own : (shutAt(minute) ?? own)
    while (states.length < end) states.push(on[minute] ? 'running' : state)
    minute = end
  }
  return states
}

function changeTime(
  machine: Machine,
  state: PowerState,
  change: 'leave' | 'return',
  book: PriceBook,
): number {
  const { memoryGiB } = sizeOf(machine, book)
  const restored =
    state === 'deleted' && change === 'return'
      ? disksOf(machine).reduce(
          (sum, disk, i) => sum + (disk.goes && disk.snapshots?.kept ? usedOf(machine, disk, i, book) : 0),
          0,
        )
      : 0
  const rule = book.states[state]![change]
  return Math.ceil(
    (rule?.seconds ?? 0) +
      (rule?.secondsPerGiB ?? 0) * memoryGiB +
      (rule?.secondsPerRestoredGiB ?? 0) * restored,
  )
}

const usedOf = (machine: Machine, disk: Disk, at: number, book: PriceBook): number =>
  disk.snapshots?.usedGiB ?? (at === 0 ? imageOf(machine, book).usedGiB : disk.roomGiB)

/** Nothing changes in this minute: it is settled in the state that is wanted. */
const isQuiet = (clocks: Clocks, minute: number, start: number): boolean =>
  minute > start &&
  [clocks.life.from, clocks.life.to, clocks.life.gone].every((at) => at < minute - 60 || at > minute + 120) &&
  clocks.busyUntil < minute - 60 &&
  clocks.up === (clocks.wanted[(minute - start) / 60] === 'running')

const stateAt = ({ state, up, busyUntil, life }: Clocks, second: number): PowerState | undefined => {
  if (second < life.from) return undefined
  if (second >= life.to) return second < life.gone ? 'running' : 'deleted'
  return up || second < busyUntil ? 'running' : state
}

/** Made anew, not for the first time, while there is a machine. */
const isRestored = ({ life, wasUp }: Clocks, second: number, month: SimpleInputs['month']): boolean =>
  second >= month.from &&
  second < month.to &&
  second > life.from &&
  second < life.to &&
  (wasUp || life.from === -Infinity)

const lifeOf = ({ firstDay, lastDay }: Machine, { timeZone }: WeekPlan): Clocks['life'] => {
  const midnight = (date: string, days: number): number =>
    readerInstant(timeZone, Date.parse(date) / 1_000 + days * DAY)
  const to = lastDay === undefined ? Infinity : midnight(lastDay, 1)
  return { from: firstDay === undefined ? -Infinity : midnight(firstDay, 0), to, gone: to }
}

function switchOver(
  clocks: Clocks,
  second: number,
  start: number,
  inputs: SimpleInputs,
  pools: SimplePool[],
): void {
  const { machine } = clocks
  const { book, month } = inputs
  const wanted = clocks.wanted[Math.floor((second - start) / 60)]!
  if (second >= clocks.busyUntil && clocks.up !== (wanted === 'running')) {
    clocks.up = !clocks.up
    if (!clocks.up) clocks.state = wanted
    const change = clocks.up ? 'return' : 'leave'
    // A machine that never was off is up from the first second, without coming back.
    clocks.busyUntil =
      second + (clocks.state === 'running' ? 0 : changeTime(machine, clocks.state, change, book))
    if (clocks.up && clocks.state === 'deleted' && isRestored(clocks, second, month)) clocks.creations += 1
  }
  if (second === clocks.life.to && (clocks.up || second < clocks.busyUntil) && second > clocks.life.from)
    clocks.life.gone = second + changeTime(machine, 'deleted', 'leave', book)
  if (clocks.up && second >= clocks.life.from && second < clocks.life.to) clocks.wasUp = true
  const state = stateAt(clocks, second)
  for (const meter of RUN_METERS) {
    if (isCounted(meter, machine, state, book) || clocks.run[meter] === 0) continue
    const { minimumSeconds, incrementSeconds } = book.billing
    const charged =
      Math.ceil(Math.max(clocks.run[meter], minimumSeconds) / incrementSeconds) * incrementSeconds
    const rounding = charged - clocks.run[meter]
    clocks.run[meter] = 0
    if (second <= month.from || second > month.to || rounding === 0) continue
    clocks.counted[meter] += rounding
    if (meter === 'compute') useHours(clocks, rounding, second, inputs, pools)
  }
}

function count(
  clocks: Clocks,
  second: number,
  step: number,
  inputs: SimpleInputs,
  pools: SimplePool[],
): void {
  const { book, month } = inputs
  const state = stateAt(clocks, second)
  if (state === undefined) return
  const row: StateRow = book.states[state]!
  const counted = RUN_METERS.filter((meter) => isCounted(meter, clocks.machine, state, book))
  for (const meter of counted) clocks.run[meter] += step
  if (second < month.from || second >= month.to) return
  for (const meter of counted) clocks.counted[meter] += step
  if (state === 'running') clocks.counted.running += step
  if (row.memoryImage) clocks.counted.memory += step
  clocks.counted.there += step
  if (row.disks) clocks.counted.exists += step
  if (row.address !== 'none') clocks.address[row.address] += step
  if (row.compute) useHours(clocks, step, second + step, inputs, pools)
  disksOf(clocks.machine).forEach((disk, i) => {
    const there = row.disks || !disk.goes
    const pool = pools.find(
      ({ allowance }) => allowance.gibPerMonth !== undefined && allowance.eligibleKinds?.includes(disk.kind),
    )
    if (!there || !pool || second >= pool.until) return
    const taken = Math.min(pool.left, roomOf(disk, clocks.machine, book) * 1_024 * step)
    pool.left -= taken
    clocks.free.disks[i]! += taken
  })
}

/** Takes hours from a pool; `end` is when they have been used. */
function useHours(
  clocks: Clocks,
  time: number,
  end: number,
  inputs: SimpleInputs,
  pools: SimplePool[],
): void {
  const { machine } = clocks
  if (termsOf(machine, inputs.book).kind !== 'on-demand') return
  const pool = pools.find(
    ({ allowance }) => allowance.hoursPerMonth !== undefined && allowance.eligible.includes(machine.size),
  )
  if (!pool || end > pool.until) return
  const taken = Math.min(pool.left, time * hourScale(inputs).second)
  pool.left -= taken
  clocks.free.compute += taken
}

/** Counts of a true second, and how many make a second of the reading. */
const hourScale = ({ month, reading }: SimpleInputs): { second: number; period: number } =>
  reading === 'calendar' ? { second: 1, period: 1 } : { second: 730 * 3_600, period: month.to - month.from }

function roomOf(disk: Disk, machine: Machine, book: PriceBook): number {
  const { room } = kindOf(disk, book)
  if (room.by === 'step') return room.stepsGiB.find((step) => step >= disk.roomGiB)!
  return room.by === 'size' ? sizeOf(machine, book).localDiskGiB! : disk.roomGiB
}

function priceOf(clocks: Clocks, inputs: SimpleInputs, all: readonly Clocks[]): Fraction {
  const parts = computePrice(clocks, inputs)
    .add(licencePrice(clocks, inputs))
    .add(diskPrice(clocks, inputs))
    .add(addressPrice(clocks, inputs))
    .add(trafficPrice(clocks, inputs, all))
  const least = new Fraction(inputs.book.billing.minimumPerMachineMonth ?? '0')
  return clocks.counted.exists > 0 && parts.compare(least) < 0 ? least : parts
}

/** Hours as the reading has them. */
const hours = (seconds: number, inputs: SimpleInputs): Fraction => {
  const { second, period } = hourScale(inputs)
  return new Fraction(seconds).mul(second).div(period).div(3_600)
}

function computePrice(clocks: Clocks, inputs: SimpleInputs): Fraction {
  const { machine } = clocks
  const { book, month } = inputs
  const size = sizeOf(machine, book)
  const terms = termsOf(machine, book)
  const monthLength = month.to - month.from
  const price = book.prices[machine.region]!.sizes[machine.size]!
  const offer: { [field: string]: unknown } =
    terms.kind === 'on-demand' ? { ...price } : { ...price.terms![terms.id] }
  const rate = (field: string): Fraction => new Fraction((offer[field] as string | undefined) ?? '0')
  const perHour = rate('perHour')
    .add(rate('perVcpuHour').mul(size.vcpu))
    .add(rate('perCoreHour').mul(size.cores ?? size.vcpu))
    .add(rate('perGiBHour').mul(size.memoryGiB))
  const monthHours = hours(monthLength, inputs)
  const cost = (time: Fraction): Fraction => perHour.mul(time).add(rate('perMonth').mul(time).div(monthHours))
  if (terms.kind === 'commitment') {
    const there = new Fraction(clocks.counted.there).div(monthLength)
    return cost(monthHours).add(rate('upFront').div(terms.months)).mul(there)
  }
  const total = hours(clocks.counted[terms.kind === 'flat' ? 'flat' : 'compute'], inputs)
  if (terms.kind === 'flat')
    return cost(
      terms.capHours !== undefined && total.compare(terms.capHours) > 0
        ? new Fraction(terms.capHours)
        : total,
    )
  if (terms.kind === 'spot') return cost(total)
  const paid = total.sub(new Fraction(clocks.free.compute).div(hourScale(inputs).period).div(3_600))
  let banded = new Fraction(0)
  let begins = new Fraction(0)
  for (const [i, band] of (book.billing.longRunRebate ?? [{ upToShare: '1', rateShare: '1' }]).entries()) {
    const last = i === (book.billing.longRunRebate?.length ?? 1) - 1
    const wholeSeconds = new Fraction(band.upToShare).mul(monthLength).floor()
    const ends = last ? paid : hours(Number(wholeSeconds.valueOf()), inputs)
    const inBand = (paid.compare(ends) < 0 ? paid : ends).sub(begins)
    if (inBand.compare(0) > 0) banded = banded.add(cost(inBand).mul(band.rateShare))
    begins = ends
  }
  return banded
}

function licencePrice({ machine, counted }: Clocks, inputs: SimpleInputs): Fraction {
  const { book } = inputs
  const { licence, subscription } = imageOf(machine, book)
  let total = new Fraction(0)
  for (const id of [licence, subscription]) {
    const found = book.licences.find((each) => each.id === id)
    if (!found || (machine.ownLicence && found.ownLicence)) continue
    const vcpu = Math.max(sizeOf(machine, book).vcpu, found.leastVcpu)
    total = total.add(new Fraction(found.perVcpuHour).mul(vcpu).mul(hours(counted.licence, inputs)))
  }
  return total
}

function diskPrice({ machine, counted, free, creations }: Clocks, { book, month }: SimpleInputs): Fraction {
  const prices = book.prices[machine.region]!
  const monthLength = month.to - month.from
  let total = new Fraction(prices.memoryImagePerGiBMonth ?? '0')
    .mul(sizeOf(machine, book).memoryGiB)
    .mul(counted.memory)
    .div(monthLength)
  disksOf(machine).forEach((disk, i) => {
    const { room } = kindOf(disk, book)
    const price = prices.disks[disk.kind]
    const charged = roomOf(disk, machine, book)
    const time = new Fraction(disk.goes ? counted.exists : counted.there).div(monthLength)
    const paid = time.sub(new Fraction(free.disks[i]!).div(monthLength).div(Math.round(charged * 1_024)))
    const roomPrice =
      room.by === 'step' ? price!.perMonthByStep![charged]! : room.by === 'gib' ? price!.perGiBMonth! : '0'
    const units = room.by === 'gib' ? new Fraction(charged * 1_024, 1_024) : new Fraction(1)
    total = total
      .add(new Fraction(roomPrice).mul(units).mul(paid))
      .add(new Fraction(price?.perExtraIopsMonth ?? '0').mul(disk.extraIops ?? 0).mul(time))
      .add(
        new Fraction(price?.perExtraMegabytesPerSecondMonth ?? '0')
          .mul(disk.extraMegabytesPerSecond ?? 0)
          .mul(time),
      )
    // Expected operations are those of a month in which the machine runs.
    if (counted.running > 0)
      total = total.add(
        new Fraction(price?.perTenThousandOperations ?? '0').mul(disk.operationsPerMonth ?? 0).div(10_000),
      )
    if (!disk.snapshots?.kept) return
    const used = usedOf(machine, disk, i, book)
    const held = new Fraction(used * 1_024, 1_024)
      .mul(100 + (disk.snapshots.kept - 1) * disk.snapshots.changedPercent)
      .div(100)
    total = total.add(new Fraction(prices.snapshotPerGiBMonth!).mul(held).mul(counted.there).div(monthLength))
    if (disk.goes) total = total.add(new Fraction(prices.restorePerGiB ?? '0').mul(used).mul(creations))
  })
  return total
}

function addressPrice({ machine, address }: Clocks, inputs: SimpleInputs): Fraction {
  if (machine.address === 'none') return new Fraction(0)
  const rates = inputs.book.prices[machine.region]!.addresses[machine.address]!
  const unattached = machine.addressGoes || machine.address === 'changing' ? 0 : address.unattached
  return new Fraction(rates.attachedOn)
    .mul(hours(address.attachedOn, inputs))
    .add(new Fraction(rates.attachedOff).mul(hours(address.attachedOff, inputs)))
    .add(new Fraction(rates.unattached ?? '0').mul(hours(unattached, inputs)))
}

function trafficPrice(own: Clocks, { book }: SimpleInputs, all: readonly Clocks[]): Fraction {
  const { machine } = own
  const payable = ({ machine: each, counted }: Clocks): number =>
    counted.running === 0
      ? 0
      : Math.max(0, (each.trafficOutGiB ?? 0) - (sizeOf(each, book).includedTrafficGiB ?? 0))
  const together = all
    .filter((other) => other.machine.region === machine.region)
    .reduce((sum, other) => sum + payable(other), 0)
  if (payable(own) === 0) return new Fraction(0)
  let total = new Fraction(0)
  let begins = new Fraction(0)
  for (const { upToGiB, perGiB } of book.prices[machine.region]!.trafficOut!) {
    const all = new Fraction(together)
    const ends =
      upToGiB !== undefined && all.compare(String(upToGiB)) > 0 ? new Fraction(String(upToGiB)) : all
    if (ends.compare(begins) > 0) total = total.add(new Fraction(perGiB).mul(ends.sub(begins)))
    begins = upToGiB === undefined ? ends : new Fraction(String(upToGiB))
  }
  return total.mul(payable(own)).div(together)
}
