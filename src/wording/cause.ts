import type { Cause, CauseCode } from '../core/reconcile/cause.ts'
import type { MeterClass } from '../core/reconcile/meterClass.ts'
import { SECONDS_PER_HOUR } from '../core/quantity/units.ts'
import { add, multiply, subtract, toNumber, ZERO, type Exact } from '../core/quantity/exact.ts'
import type { YearMonth } from '../core/calendar/yearMonth.ts'
import { formatNumber } from './number'
import { monthName } from './time'

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
/** So many dates are named; how many more there are is said. */
export const MOST_DATES = 12

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

/** “replay was on for 3 h that nobody planned”: what happened, without when and why. */
export function causeHead(cause: Cause): string {
  const { code, of, meter, unit } = cause
  const hours = unit === 'time' && cause.days?.length ? `${hoursOf(cause)} h ` : ''
  const what = meter && meter !== 'machine-time' ? `, ${METER_WORDS[meter]}` : ''
  switch (code) {
    case 'more-time':
      return `${of}${what} was on for ${hours === '' ? 'longer' : hours}${hours === '' ? '' : 'that nobody planned'}`
    case 'less-time':
      return `${of}${what} was on for ${hours === '' ? 'less time' : `${hours}less`} than planned`
    case 'unplanned-machine':
      return `${of} is not in the plan`
    case 'never-billed':
      return `${of} is planned, and not on the bill`
    case 'left-over':
      return `${meter ? `${METER_WORDS[meter]} of ` : ''}${of}: still there`
    default:
      return [of, TEXTS[code]].filter(Boolean).join(`${what}: `)
  }
}

/** When, at which price, of what: the rest of what is known of it. */
export const causeMore = (cause: Cause): string =>
  [namesText(cause), datesText(cause), priceText(cause)].filter(Boolean).join('; ')

/** “on 3, 4 and 5 March”: days of one month by their numbers. */
function datesText({ days }: Cause): string {
  if (!days || days.length === 0) return ''
  const numbers = days.slice(0, MOST_DATES).map(({ day }) => String(Number(day.slice(8))))
  const beyond = days.length - MOST_DATES
  const month = monthName(days[0]!.day.slice(0, 7) as YearMonth)
  return beyond > 0
    ? `on ${numbers.join(', ')} and ${beyond} more days of ${month}`
    : `on ${[numbers.slice(0, -1).join(', '), numbers.at(-1)].filter(Boolean).join(' and ')} ${month}`
}

function hoursOf({ days = [] }: Cause): string {
  const seconds = days.reduce((sum, { planned, billed }) => add(sum, subtract(billed, planned)), ZERO)
  return formatNumber(Math.abs(toNumber(seconds)) / SECONDS_PER_HOUR, 2)
}

function daysText({ days }: Cause): string {
  if (!days || days.length === 0) return ''
  const shown = days.slice(0, MOST_DAYS).map(({ day }) => day)
  const beyond = days.length - MOST_DAYS
  const more = beyond > 0 ? ` and ${beyond} more ${beyond === 1 ? 'day' : 'days'}` : ''
  return `on ${shown.join(', ')}${more}`
}

/** How many hours, and on which days. */
function timeText(cause: Cause): string {
  if (cause.unit !== 'time' || !cause.days || cause.days.length === 0) return ''
  return `${hoursOf(cause)} h ${daysText(cause)}`
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
