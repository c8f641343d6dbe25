import type { Cause, CauseCode } from '../core/reconcile/cause.ts'
import type { MeterClass } from '../core/reconcile/meterClass.ts'
import { SECONDS_PER_HOUR } from '../core/quantity/units.ts'
import { add, multiply, subtract, toNumber, ZERO, type Exact } from '../core/quantity/exact.ts'
import { formatNumber } from './number'

export const METER_WORDS = {
  'machine-time': 'machine time',
  licence: 'licence',
  disk: 'disks',
  snapshot: 'snapshots',
  memory: 'memory kept on disk',
  address: 'public address',
  traffic: 'traffic out',
  minimum: 'least cost of a month',
} as const satisfies Record<MeterClass, string>

const HOUR: Exact = { n: BigInt(SECONDS_PER_HOUR), d: 1n }
const MOST_DAYS = 4

const TEXTS = {
  'more-time': 'on for longer than planned',
  'less-time': 'on for less time than planned',
  price: 'at another price than planned',
  discount: 'another part is free, rebated or covered than planned',
  'other-size': 'another size than planned',
  'other-terms': 'on other terms than planned',
  quantity: 'another quantity than planned',
  rounding: 'rounding of the provider',
  'not-planned': 'not planned',
  'not-billed': 'planned and not billed',
  'left-over': 'is still there: is it left over?',
  'unplanned-machine': 'is not in the plan',
  'never-billed': 'is planned, and not on the bill',
  tax: 'tax',
  credit: 'credit',
  purchase: 'purchase',
  adjustment: 'adjustment',
  correction: 'correction of an earlier month',
  unexplained: 'unexplained',
} as const satisfies Record<CauseCode, string>

/** A cause in one sentence, without its amount: “replay, machine time: on for longer than planned, 3 h on 6 March”. */
export function causeText(cause: Cause): string {
  const { code, of, meter } = cause
  const head = [of, meter && METER_WORDS[meter]].filter(Boolean).join(', ')
  const text = [TEXTS[code], namesText(cause), timeText(cause), priceText(cause)].filter(Boolean).join(', ')
  return head === '' ? text : `${head}: ${text}`
}

const PRICINGS: ReadonlyMap<string, string> = new Map([
  ['Standard', 'on demand'],
  ['Dynamic', 'spot'],
  ['Committed', 'a commitment'],
])

const namesText = ({ names }: Cause): string => {
  if (!names) return ''
  const said = (name: string): string => PRICINGS.get(name) ?? name
  return `${said(names.billed)} in place of ${said(names.planned)}`
}

/** How many hours, and on which days. */
function timeText({ unit, days }: Cause): string {
  if (unit !== 'time' || !days || days.length === 0) return ''
  const seconds = days.reduce((sum, { planned, billed }) => add(sum, subtract(billed, planned)), ZERO)
  const hours = Math.abs(toNumber(seconds)) / SECONDS_PER_HOUR
  const shown = days.slice(0, MOST_DAYS).map(({ day }) => day)
  const beyond = days.length - MOST_DAYS
  const more = beyond > 0 ? ` and ${beyond} more ${beyond === 1 ? 'day' : 'days'}` : ''
  return `${formatNumber(hours, 2)} h on ${shown.join(', ')}${more}`
}

/** What one unit of time is said in: an hour; of what is kept for a time, a month of 730 hours. */
const PER_HOUR = { factor: HOUR, places: 4, by: ' an hour' }
const PER_MONTH = { factor: { n: 730n * 3_600n, d: 1n }, places: 4, by: ' a month' }
const EACH = { factor: { n: 1n, d: 1n }, places: 6, by: '' }

function priceText({ unit, prices, since }: Cause): string {
  if (!prices || unit === 'Term') return ''
  const { factor, places, by } = unit === 'time' ? PER_HOUR : unit?.endsWith('-time') ? PER_MONTH : EACH
  const read = (price: Exact): string => formatNumber(toNumber(multiply(price, factor)), places)
  const from = since === undefined ? '' : ` since ${since}`
  return `${read(prices.billed)} in place of ${read(prices.planned)}${by}${from}`
}
