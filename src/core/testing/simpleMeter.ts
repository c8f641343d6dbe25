import type Fraction from 'fraction.js'
import type { PriceBook, StateRow } from '../catalogue/priceBook.ts'
import type { Machine } from '../machine/plan.ts'
import type { PowerState } from '../off/powerState.ts'
import {
  DAY,
  disksOf,
  endOfDate,
  hourScale,
  isCounted,
  newClocks,
  roomOf,
  RUN_METERS,
  sizeOf,
  termsOf,
  usedOf,
  type Clocks,
  type RunMeter,
  type SimpleInputs,
} from './simpleClocks.ts'
import { priceOf } from './simplePrices.ts'

/**
 * A meter as plain as can be, only for tests: it walks the minutes around a month, second by second where something
 * changes, switches each machine as a person with a stop watch would, serves shared pools in the order of the plan, and
 * adds up what each clock has counted with a rational library. It reads the price book itself and shares no code with
 * the real meter.
 */
export const simpleMeter = (inputs: SimpleInputs): Map<string, Fraction> =>
  walkMonth(inputs, (clocks, all) => priceOf(clocks, inputs, all))

/** Walks the month, and asks of each machine once its clocks have stopped; `watch` is asked before and after each second or minute. */
export function walkMonth<Answer>(
  inputs: SimpleInputs,
  answer: (clocks: Clocks, all: readonly Clocks[]) => Answer,
  watch?: SimpleWatch,
): Map<string, Answer> {
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
  const pools = (book.freeAllowances ?? []).map((allowance): SimplePool => ({
    allowance,
    left: {
      hours: (allowance.hoursPerMonth ?? 0) * 3_600 * hourScale(inputs).period,
      room: (allowance.gibPerMonth ?? 0) * 1_024 * (month.to - month.from),
    },
    until: endOfDate(allowance.until, book.billingZone),
  }))
  const most = { hours: 60 * mostHours(inputs), room: 60 * mostRoom(inputs) }
  const mayRunDry = ({ left, until }: SimplePool, minute: number): boolean =>
    minute <= until &&
    ((left.hours > 0 && left.hours <= most.hours) || (left.room > 0 && left.room <= most.room))
  const start = month.from - margin
  for (let minute = start; minute < month.to + margin; minute += 60) {
    const quiet = machines.every((clocks) => isQuiet(clocks, minute, start))
    // A pool that could run dry within the minute is watched second by second.
    const calm =
      quiet && pools.every((pool) => !mayRunDry(pool, minute) && Math.abs(pool.until - minute) > 60)
    const step = calm ? 60 : 1
    for (let second = minute; second < minute + 60; second += step) {
      if (watch) for (const clocks of machines) watch.before(clocks)
      for (const clocks of machines) switchOver(clocks, second, start, inputs, pools)
      if (watch) for (const clocks of machines) watch.switched(clocks, runsAsAsked(clocks, second, start))
      for (const clocks of machines) count(clocks, second, step, inputs, pools)
    }
  }
  return new Map(machines.map((clocks) => [clocks.machine.name, answer(clocks, machines)]))
}

/** Sees the clocks of a machine before it may switch, and after, with whether it now runs in the hours of its week. */
export interface SimpleWatch {
  readonly before: (clocks: Clocks) => void
  readonly switched: (clocks: Clocks, asAsked: boolean) => void
}

/** It runs, has come back, and its week has it on. */
const runsAsAsked = ({ up, busyUntil, life, inWeek }: Clocks, second: number, start: number): boolean =>
  up &&
  second >= busyUntil &&
  second >= life.from &&
  second < life.to &&
  inWeek[Math.floor((second - start) / 60)]!

interface SimplePool {
  readonly allowance: NonNullable<PriceBook['freeAllowances']>[number]
  readonly left: { hours: number; room: number }
  readonly until: number
}

/** What all machines together can take of hours in a second. */
const mostHours = (inputs: SimpleInputs): number => inputs.machines.length * hourScale(inputs).second

const mostRoom = ({ machines, book }: SimpleInputs): number =>
  machines.reduce(
    (sum, machine) =>
      sum + disksOf(machine).reduce((all, disk) => all + roomOf(disk, machine, book) * 1_024, 0),
    0,
  )

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
  // A window that opens as it is deleted opens for nothing.
  const wasOn = clocks.up || second < clocks.busyUntil
  if (clocks.up && second < clocks.busyUntil && wanted !== 'running') clocks.owed ??= wanted
  if (second === clocks.life.from) {
    // Its first day finds it on or off, with no change under way.
    clocks.up = wanted === 'running' && clocks.wanted[Math.floor((second - start) / 60) - 1] === 'running'
    if (!clocks.up)
      clocks.state = wanted === 'running' ? clocks.wanted[Math.floor((second - start) / 60) - 1]! : wanted
    clocks.busyUntil = second
    clocks.owed = undefined
  }
  const next = clocks.owed ?? wanted
  if (second >= clocks.busyUntil && clocks.up !== (next === 'running')) {
    clocks.owed = undefined
    clocks.up = !clocks.up
    if (!clocks.up) clocks.state = next
    const change = clocks.up ? 'return' : 'leave'
    // A machine that never was off is up from the first second, without coming back.
    clocks.busyUntil =
      second + (clocks.state === 'running' ? 0 : changeTime(machine, clocks.state, change, book))
    if (clocks.up && clocks.state === 'deleted' && isRestored(clocks, second, month)) clocks.creations += 1
  }
  if (second === clocks.life.to && wasOn && second > clocks.life.from)
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
  if (state === 'running' && second >= clocks.busyUntil && second < clocks.life.to)
    clocks.counted.running += step
  if (row.memoryImage) clocks.counted.memory += step
  clocks.counted.there += step
  if (row.disks) clocks.counted.exists += step
  if (row.address !== 'none') clocks.address[row.address] += step
  if (row.compute) useHours(clocks, step, second + step, inputs, pools)
  disksOf(clocks.machine).forEach((disk, i) => {
    const there = row.disks || !disk.goes
    if (!there) return
    let wanted = roomOf(disk, clocks.machine, book) * 1_024 * step
    for (const { allowance, left, until } of pools) {
      if (!allowance.eligibleKinds?.includes(disk.kind) || second >= until) continue
      const taken = Math.min(left.room, wanted)
      left.room -= taken
      wanted -= taken
      clocks.free.disks[i]! += taken
    }
  })
}

/** Takes hours from the pools, one after the other; `end` is when they have been used. */
function useHours(
  clocks: Clocks,
  time: number,
  end: number,
  inputs: SimpleInputs,
  pools: readonly SimplePool[],
): void {
  const { machine } = clocks
  if (termsOf(machine, inputs.book).kind !== 'on-demand') return
  let wanted = time * hourScale(inputs).second
  for (const { allowance, left, until } of pools) {
    if (!allowance.eligible.includes(machine.size) || end > until) continue
    const taken = Math.min(left.hours, wanted)
    left.hours -= taken
    wanted -= taken
    clocks.free.compute += taken
  }
}
