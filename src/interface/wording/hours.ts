import type { HourInState } from '../../core/meter/hourByState.ts'
import { compare } from '../../core/quantity/exact.ts'
import { METER_NAMES } from './charge'
import { formatMoney, HOURLY_PLACES } from './money'
import { STATE_NAMES } from './state'
import type { Meter } from '../../core/meter/charge.ts'

const listed = (names: readonly string[]): string =>
  names.length > 1 ? `${names.slice(0, -1).join(', ')} and ${names.at(-1)!}` : (names[0] ?? '')

/**
 * A sentence for each state that is off and not free: what it still costs, and why. The least is what no state goes
 * below.
 */
export function hourSentences(hours: readonly HourInState[], currency: string, flat: boolean): string[] {
  return hours.flatMap(({ state, amount, byMeter, stillCharged }) => {
    if (state === 'running' || amount.n === 0n) return []
    const cost = formatMoney(amount, currency, HOURLY_PLACES)
    if (stillCharged) {
      const why = flat ? 'a flat plan runs until the machine is deleted' : 'the hardware is kept for you'
      return [`${STATE_NAMES[state]}: still ${cost} an hour, ${why}.`]
    }
    const meters = [...byMeter].sort((a, b) => compare(b.amount, a.amount)).map(({ meter }) => meter)
    const several = meters.length > 1 || meters.some((meter) => PLURAL.has(meter))
    const verb =
      state === 'deleted' ? (several ? 'are left over' : 'is left over') : several ? 'go on' : 'goes on'
    const names = listed(meters.map((meter) => METER_NAMES[meter].toLowerCase()))
    return [`${STATE_NAMES[state]}: still ${cost} an hour: ${names} ${verb}.`]
  })
}

const PLURAL: ReadonlySet<Meter> = new Set(['disk', 'licence', 'snapshot'])
