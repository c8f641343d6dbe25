import type { PriceBook } from '../core/catalogue/priceBook.ts'
import { exactNumber } from '../core/quantity/decimal.ts'
import { add, exact, multiply } from '../core/quantity/exact.ts'
import type { PowerState } from '../core/off/powerState.ts'
import { usedRoom, disksOf, sizeOf } from './catalogueFacts.ts'
import type { MachineOrder } from './machineOrder.ts'

/** From then on it is metered in this state, until the next one. */
export interface Stay {
  /** Whole seconds since 1970, as all times of the practice provider. */
  readonly from: number
  readonly state: PowerState
}

export interface MadeMachine {
  readonly order: MachineOrder
  readonly at: number
  readonly state: PowerState
  /** It has run before: what is made again from its snapshots is restored. */
  readonly hasRun?: boolean
}

/**
 * One machine of the practice provider. It is told what is wanted of it; a change that has begun is finished first. What
 * is to go off while it comes back goes off then, whatever is wanted meanwhile; one that is started while it goes off
 * comes back after, unless that was taken back. Going off and coming back are metered as running.
 */
export class PracticeMachine {
  readonly order: MachineOrder
  readonly madeAt: number
  readonly stays: Stay[]
  /** When it was coming back or going off, in order. */
  readonly changes: { readonly from: number; to: number }[] = []
  /** When it was made anew from snapshots. */
  readonly restoredAt: number[] = []
  /** Disks, by place, and the address that stayed though they were to go. */
  readonly leftBehind = new Set<number | 'address'>()
  /** Deleted for good. */
  goneAt: number | undefined

  private isUp: boolean
  private offState: PowerState
  private busyUntil: number
  private wanted: PowerState
  private wantedAt: number
  private hasRun: boolean
  /** How it is to go off once it is back. */
  private owedOff: PowerState | undefined

  constructor(
    { order, at, state, hasRun = false }: MadeMachine,
    private readonly book: PriceBook,
  ) {
    this.order = order
    this.madeAt = at
    this.stays = [{ from: at, state }]
    this.isUp = state === 'running'
    this.offState = state
    this.wanted = state
    this.wantedAt = at
    this.busyUntil = at
    this.hasRun = hasRun || this.isUp
  }

  /** What is wanted from now on. Times must not go back. */
  want(state: PowerState, at: number): void {
    if (this.goneAt !== undefined) return
    this.settle(at - 1)
    if (state !== 'running' && this.isUp && this.busyUntil > at) this.owedOff ??= state
    this.wanted = state
    this.wantedAt = at
    this.settle(at)
  }

  /** Begins what is due until then. */
  settle(until: number): void {
    if (this.goneAt !== undefined) return
    if (this.owedOff !== undefined && this.isUp && this.busyUntil <= until) {
      this.change(this.busyUntil, this.owedOff)
    }
    // The other change that can wait is the one that is wanted now: it begins when the last one is over.
    if (this.isUp === (this.wanted === 'running') || this.busyUntil > until) return
    this.change(Math.max(this.busyUntil, this.wantedAt), this.wanted)
  }

  /** Deletes it for good, at once whatever it does: what does not go with it stays. */
  delete(at: number): void {
    if (this.goneAt !== undefined) return
    this.settle(at - 1)
    this.goneAt = at
    const isOn = this.isUp || at < this.busyUntil
    while (this.stays.at(-1)!.from > at) this.stays.pop()
    const gone = at + (isOn && at > this.madeAt ? this.changeTime('deleted', 'leave') : 0)
    this.changes.push({ from: at, to: gone })
    this.push(gone, 'deleted')
  }

  /** Its hardware is taken away at once; it stays off until it is wanted again. */
  evict(at: number, state: PowerState): void {
    if (this.goneAt !== undefined) return
    this.settle(at)
    if (!this.isUp) return
    this.isUp = false
    this.offState = state
    this.wanted = state
    this.owedOff = undefined
    this.busyUntil = at
    const change = this.changes.at(-1)
    if (change) change.to = Math.min(change.to, at)
    this.push(at, state)
  }

  stateAt(at: number): PowerState | undefined {
    return this.stays.findLast(({ from }) => from <= at)?.state
  }

  get isOn(): boolean {
    return this.isUp
  }

  private change(at: number, state: PowerState): void {
    this.owedOff = undefined
    if (this.isUp) {
      this.isUp = false
      this.offState = state
      this.busyUntil = at + this.changeTime(state, 'leave')
      this.changes.push({ from: at, to: this.busyUntil })
      this.push(this.busyUntil, state)
      return
    }
    this.isUp = true
    this.busyUntil = at + this.changeTime(this.offState, 'return')
    if (this.offState === 'deleted' && this.hasRun) this.restoredAt.push(at)
    this.hasRun = true
    this.changes.push({ from: at, to: this.busyUntil })
    this.push(at, 'running')
  }

  private push(from: number, state: PowerState): void {
    const last = this.stays.at(-1)
    if (last?.state === state) return
    if (last?.from === from) this.stays.pop()
    if (this.stays.at(-1)?.state !== state) this.stays.push({ from, state })
  }

  private readonly times = new Map<string, number>()

  private changeTime(state: PowerState, change: 'leave' | 'return'): number {
    const key = `${state} ${change}`
    let time = this.times.get(key)
    if (time === undefined) this.times.set(key, (time = this.readTime(state, change)))
    return time
  }

  /** Begun seconds count whole. */
  private readTime(state: PowerState, change: 'leave' | 'return'): number {
    const rule = this.book.states[state]?.[change]
    if (!rule) return 0
    const restored =
      state === 'deleted' && change === 'return'
        ? disksOf(this.order).reduce(
            (sum, disk, at) =>
              sum + (disk.goes && disk.snapshots?.kept ? usedRoom(this.order, at, this.book) : 0),
            0,
          )
        : 0
    const { n, d } = [
      multiply(exactNumber(rule.secondsPerGiB ?? 0), exactNumber(sizeOf(this.order, this.book).memoryGiB)),
      multiply(exactNumber(rule.secondsPerRestoredGiB ?? 0), exactNumber(restored)),
    ].reduce(add, exact(rule.seconds))
    return Number((n + d - 1n) / d)
  }
}
