import type { WeekPlan } from '../calendar/weekPlan.ts'
import type { DiskKind, PriceBook, Terms } from '../catalogue/priceBook.ts'
import type { Disk, Machine } from '../machine/plan.ts'
import type { PowerState } from '../off/powerState.ts'
import { shutdownsOf, walkMinutes } from './walkMinutes.ts'
import { readerInstant } from './zoneReader.ts'

export const DAY = 86_400

export interface SimpleInputs {
  readonly machines: readonly Machine[]
  readonly weeks: readonly WeekPlan[]
  readonly book: PriceBook
  readonly month: { readonly from: number; readonly to: number }
  readonly reading: 'calendar' | '730-hours'
}

/** Machine time by the state table, licences, and machine time of a flat plan. */
export const RUN_METERS = ['compute', 'licence', 'flat'] as const
export type RunMeter = (typeof RUN_METERS)[number]

export const isCounted = (
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
export interface Clocks {
  readonly machine: Machine
  /** In each minute: up, or the state that it is off in. */
  readonly wanted: readonly PowerState[]
  /** In each minute: whether its week has it on. */
  readonly inWeek: readonly boolean[]
  state: PowerState
  readonly free: { compute: number; readonly disks: number[] }
  up: boolean
  busyUntil: number
  /** How it is to go off once it is back, whatever is wanted by then. */
  owed: PowerState | undefined
  run: { [meter in RunMeter]: number }
  counted: { [meter in RunMeter | 'memory' | 'exists' | 'there' | 'running']: number }
  address: { attachedOn: number; attachedOff: number; unattached: number }
  creations: number
  wasUp: boolean
  /** There from when to when; gone a little later, where it is on when it is deleted. */
  readonly life: { readonly from: number; readonly to: number; gone: number }
}

export const sizeOf = (machine: Machine, book: PriceBook) => {
  const size = book.sizes.find(({ id }) => id === machine.size)!
  return size.choice && machine.chosen ? { ...size, ...machine.chosen } : size
}

export const disksOf = (machine: Machine): readonly Disk[] => [machine.systemDisk, ...machine.dataDisks]

export const kindOf = (disk: Disk, book: PriceBook): DiskKind =>
  book.diskKinds.find(({ id }) => id === disk.kind)!

export const imageOf = (machine: Machine, book: PriceBook) =>
  book.images.find(({ id }) => id === machine.image)!

export const termsOf = (machine: Machine, book: PriceBook): Terms =>
  book.terms.find(({ id }) => id === machine.terms)!

export const endOfDate = (date: string, timeZone: string): number =>
  readerInstant(timeZone, Date.parse(date) / 1_000 + DAY)

export function newClocks(machine: Machine, { weeks, month, book }: SimpleInputs, margin: number): Clocks {
  const week = weeks.find(({ id }) => id === machine.week)!
  const [from, to] = [month.from - margin, month.to + margin]
  const shutdowns = new Set(shutdownsOf(week, from - DAY, to + DAY))
  const byShutdown = week.autoShutdown?.off
  const inWeek = walkMinutes(week, from, to)
  const wanted = statesOf(machine, inWeek, (minute) =>
    byShutdown && book.states[byShutdown] && shutdowns.has(from + minute * 60) ? byShutdown : undefined,
  )
  const life = lifeOf(machine, week)
  const past = pastOf(machine, week, life.from, from, to)
  const ranThrough = (meter: RunMeter): number =>
    past.length > 0 && past.every((state) => isCounted(meter, machine, state, book)) ? past.length * 60 : 0
  return {
    machine,
    wanted,
    inWeek,
    state: wanted.find((state) => state !== 'running') ?? 'running',
    free: { compute: 0, disks: disksOf(machine).map(() => 0) },
    up: false,
    busyUntil: -Infinity,
    owed: undefined,
    run: { compute: ranThrough('compute'), licence: ranThrough('licence'), flat: ranThrough('flat') },
    counted: { compute: 0, licence: 0, flat: 0, memory: 0, exists: 0, there: 0, running: 0 },
    address: { attachedOn: 0, attachedOff: 0, unattached: 0 },
    creations: 0,
    wasUp: past.includes('running'),
    life,
  }
}

/** What it was to be from its first day until the walk begins, in each minute; nothing where it begins later. */
function pastOf(machine: Machine, week: WeekPlan, born: number, from: number, to: number): PowerState[] {
  if (born === -Infinity || born >= from) return []
  return statesOf(machine, walkMinutes(week, born, to), () => undefined).slice(0, (from - born) / 60)
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

const lifeOf = ({ firstDay, lastDay }: Machine, { timeZone }: WeekPlan): Clocks['life'] => {
  const midnight = (date: string, days: number): number =>
    readerInstant(timeZone, Date.parse(date) / 1_000 + days * DAY)
  const to = lastDay === undefined ? Infinity : midnight(lastDay, 1)
  return { from: firstDay === undefined ? -Infinity : midnight(firstDay, 0), to, gone: to }
}

/** Counts of a true second, and how many make a second of the reading. */
export const hourScale = ({ month, reading }: SimpleInputs): { second: number; period: number } =>
  reading === 'calendar' ? { second: 1, period: 1 } : { second: 730 * 3_600, period: month.to - month.from }

export function roomOf(disk: Disk, machine: Machine, book: PriceBook): number {
  const { room } = kindOf(disk, book)
  if (room.by === 'step') return room.stepsGiB.find((step) => step >= disk.roomGiB)!
  return room.by === 'size' ? sizeOf(machine, book).localDiskGiB! : disk.roomGiB
}

export const usedOf = (machine: Machine, disk: Disk, at: number, book: PriceBook): number =>
  disk.snapshots?.usedGiB ?? ((at === 0 && imageOf(machine, book).usedGiB) || disk.roomGiB)
