import type { PriceBook } from '../core/catalogue/priceBook.ts'
import type { PowerState } from '../core/off/powerState.ts'
import { rowOf, termsOf } from './catalogueFacts.ts'
import type { PracticeMachine, Stay } from './PracticeMachine.ts'
import type { Stretch, Within } from './stretches.ts'

interface StateSpan extends Within {
  readonly state: PowerState
}

/** Asked for once by each meter. */
const kept = new WeakMap<
  PracticeMachine,
  { readonly now: number; readonly last: Stay; readonly spans: StateSpan[] }
>()

/** The log of a machine as spans of one state, until `now`. */
function statesOf(machine: PracticeMachine, now: number): readonly StateSpan[] {
  const { stays } = machine
  const last = stays.at(-1)!
  const known = kept.get(machine)
  if (known?.now === now && known.last === last) return known.spans
  const spans: StateSpan[] = []
  for (let i = 0; i < stays.length; i += 1) {
    const { from, state } = stays[i]!
    const to = Math.min(stays[i + 1]?.from ?? Infinity, now)
    if (to > from) spans.push({ state, from, to })
  }
  kept.set(machine, { now, last, spans })
  return spans
}

/** The time in the states that are asked for, second by second as it was. */
export function timeIn(
  machine: PracticeMachine,
  within: Within,
  isCounted: (state: PowerState) => boolean,
): Stretch[] {
  const found: Stretch[] = []
  for (const { state, from, to } of statesOf(machine, within.to)) {
    const [begins, ends] = [Math.max(from, within.from), to]
    if (ends > begins && isCounted(state)) found.push({ from: begins, to: ends, ticks: ends - begins })
  }
  return found
}

/** While it runs: neither coming back nor going off, which are charged as running. */
export function runningTime(machine: PracticeMachine, within: Within): Stretch[] {
  const { changes } = machine
  const running = timeIn(machine, within, (state) => state === 'running')
  let next = 0
  return running.flatMap(({ from, to }) => {
    const found: Stretch[] = []
    let at = from
    while (next < changes.length && changes[next]!.to <= from) next += 1
    for (let i = next; i < changes.length && changes[i]!.from < to; i += 1) {
      const change = changes[i]!
      if (change.from > at) found.push({ from: at, to: change.from, ticks: change.from - at })
      at = Math.max(at, change.to)
    }
    if (to > at) found.push({ from: at, to, ticks: to - at })
    return found
  })
}

/**
 * The same of what is charged by runs: each is at least the book’s minimum and is rounded up to its increment. What that
 * adds stands at the run’s end, and belongs to the month in which it ends.
 */
function runsIn(
  machine: PracticeMachine,
  within: Within,
  isCounted: (state: PowerState) => boolean,
  { billing: { minimumSeconds, incrementSeconds } }: PriceBook,
): Stretch[] {
  const found: Stretch[] = []
  let began: number | undefined
  const end = (at: number): void => {
    if (began === undefined) return
    const length = at - began
    began = undefined
    const added = Math.ceil(Math.max(length, minimumSeconds) / incrementSeconds) * incrementSeconds - length
    if (added > 0 && at > within.from) found.push({ from: at, to: at, ticks: added })
  }
  for (const { state, from, to } of statesOf(machine, within.to)) {
    if (!isCounted(state)) {
      end(from)
      continue
    }
    began ??= from
    const begins = Math.max(from, within.from)
    if (to > begins) found.push({ from: begins, to, ticks: to - begins })
  }
  // A run that ends with the month is known to end then, once something else has begun.
  if (machine.stays.some(({ from, state }) => from === within.to && !isCounted(state))) end(within.to)
  return found
}

export const computeTime = (machine: PracticeMachine, within: Within, book: PriceBook): Stretch[] =>
  runsIn(machine, within, (state) => rowOf(state, book).compute, book)

export const licenceTime = (machine: PracticeMachine, within: Within, book: PriceBook): Stretch[] =>
  runsIn(machine, within, (state) => rowOf(state, book).licence, book)

/** Of a flat plan: while there is a machine. */
const flatTime = (machine: PracticeMachine, within: Within, book: PriceBook): Stretch[] =>
  runsIn(machine, within, (state) => state !== 'deleted', book)

/** Time that machine time is charged for, before free hours and caps. */
export const termsTime = (machine: PracticeMachine, within: Within, book: PriceBook): Stretch[] => {
  switch (termsOf(machine.order, book).kind) {
    case 'commitment':
      return timeIn(machine, within, () => true)
    case 'flat':
      return flatTime(machine, within, book)
    default:
      return computeTime(machine, within, book)
  }
}
