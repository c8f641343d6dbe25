import Fraction from 'fraction.js'
import type { Clocks, SimpleInputs } from './simpleClocks.ts'
import { walkMonth } from './simpleMeter.ts'
import { expectedPrice, keptPrice, priceOf, timePrice } from './simplePrices.ts'

interface SimpleSplit {
  readonly kept: Fraction
  readonly asked: Fraction
  readonly leak: Fraction
}

/** What time cost up to the last change, and what it was for since. */
interface Account {
  asked: Fraction
  settled: Fraction
  asAsked: boolean
  counted: Clocks['counted']
  free: number
  /** Of the seconds in which it runs, those in the hours of its week. */
  askedRunning: number
}

/**
 * A month by what it was paid for, as plain as can be: whenever a machine begins or ends to run as its week asks, what
 * its time has cost since the last such moment is put on one heap or the other, and what rounding adds on the other.
 */
export function simpleSplit(inputs: SimpleInputs): Map<string, SimpleSplit> {
  const accounts = new Map<Clocks, Account>()
  const accountOf = (clocks: Clocks): Account => {
    let own = accounts.get(clocks)
    if (!own) {
      own = {
        asked: new Fraction(0),
        settled: new Fraction(0),
        asAsked: false,
        counted: { ...clocks.counted },
        free: 0,
        askedRunning: 0,
      }
      accounts.set(clocks, own)
    }
    return own
  }
  const settle = (own: Account, clocks: Clocks): void => {
    const cost = timePrice(clocks, inputs)
    if (own.asAsked) own.asked = own.asked.add(cost.sub(own.settled))
    own.settled = cost
  }
  const noteRunning = (own: Account, { counted }: Clocks): void => {
    if (own.asAsked) own.askedRunning += counted.running - own.counted.running
  }
  const before = (clocks: Clocks): void => {
    const own = accountOf(clocks)
    noteRunning(own, clocks)
    own.counted = { ...clocks.counted }
    own.free = clocks.free.compute
  }
  const switched = (clocks: Clocks, asAsked: boolean): void => {
    const own = accountOf(clocks)
    const { compute, licence, flat } = own.counted
    const { counted } = clocks
    const isRounded = counted.compute !== compute || counted.licence !== licence || counted.flat !== flat
    if (asAsked === own.asAsked && !isRounded) return
    settle(own, { ...clocks, counted: own.counted, free: { ...clocks.free, compute: own.free } })
    own.asAsked = false
    if (isRounded) settle(own, clocks)
    own.asAsked = asAsked
  }
  return walkMonth(
    inputs,
    (clocks, all) => {
      const own = accountOf(clocks)
      settle(own, clocks)
      noteRunning(own, clocks)
      const kept = keptPrice(clocks, inputs)
      const share = new Fraction(own.askedRunning).div(clocks.counted.running || 1)
      const asked = own.asked.add(expectedPrice(clocks, inputs, all).mul(share))
      return { kept, asked, leak: priceOf(clocks, inputs, all).sub(kept).sub(asked) }
    },
    { before, switched },
  )
}
