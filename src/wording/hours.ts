import type { HourInState } from '../core/meter/hourByState.ts'
import { MOST_DECIMALS, toDecimal } from '../core/quantity/decimal.ts'
import { compare } from '../core/quantity/exact.ts'
import { METER_NAMES } from './charge'
import { formatMoney, HOURLY_PLACES } from './money'
import { STATE_NAMES } from './state'
import type { Meter } from '../core/meter/charge.ts'

const listed = (names: readonly string[]): string =>
  names.length > 1 ? `${names.slice(0, -1).join(', ')} and ${names.at(-1)!}` : (names[0] ?? '')

/**
 * What each state that is off still costs, and why: a sentence for states that cost the same for the same, so that what
 * stays whatever the state is named once.
 */
export function hourSentences(hours: readonly HourInState[], currency: string, flat: boolean): string[] {
  const alike = new Map<string, HourInState[]>()
  for (const hour of hours) {
    if (hour.state === 'running' || hour.amount.n === 0n) continue
    const { amount, byMeter, stillCharged, state } = hour
    // What is left over of a deleted machine is another matter than what goes on.
    const key = JSON.stringify([
      toDecimal(amount, MOST_DECIMALS),
      stillCharged,
      state === 'deleted',
      byMeter.map(({ meter }) => meter).sort(),
    ])
    alike.set(key, [...(alike.get(key) ?? []), hour])
  }
  return [...alike.values()].map((same) => {
    const { state, amount, byMeter, stillCharged } = same[0]!
    const cost = formatMoney(amount, currency, HOURLY_PLACES)
    const names = listed(
      same.map((each, i) => (i === 0 ? STATE_NAMES[each.state] : STATE_NAMES[each.state].toLowerCase())),
    )
    if (stillCharged) {
      const why = flat ? 'a flat plan runs until the machine is deleted' : 'the hardware is kept for you'
      return `${names}: still ${cost} an hour, ${why}.`
    }
    const meters = [...byMeter].sort((a, b) => compare(b.amount, a.amount)).map(({ meter }) => meter)
    const several = meters.length > 1 || meters.some((meter) => PLURAL.has(meter))
    const verb =
      state === 'deleted' ? (several ? 'are left over' : 'is left over') : several ? 'go on' : 'goes on'
    const what = listed(meters.map((meter) => METER_NAMES[meter].toLowerCase()))
    return `${names}: still ${cost} an hour: ${what} ${verb}.`
  })
}

const PLURAL: ReadonlySet<Meter> = new Set(['disk', 'licence', 'snapshot'])
