import { parseDecimal, roundToUnits, trimDecimal, unitsToDecimal } from '../quantity/decimal.ts'
import { multiply, sign, subtract, type Exact } from '../quantity/exact.ts'
import { gibIn } from '../table/roomInGiB.ts'
import type { RoomUnit } from '../table/roomUnit.ts'
import type { ListUnits } from './listMapping.ts'
import type { Period } from './sizeRows.ts'

/** Digits after the point that a price book keeps. */
const DIGITS = 18

/** How rows are counted, where a row can name any unit. */
export interface RowUnits extends Omit<ListUnits, 'diskRoom'> {
  readonly diskRoom: RoomUnit
}

/** How many a price is divided by for the price of one, in whole money. */
const countOf = ({ perCount, parts = 1 }: RowUnits): bigint => BigInt(perCount) * BigInt(parts)

const text = (value: Exact): string => trimDecimal(unitsToDecimal(roundToUnits(value, DIGITS), DIGITS))

/** A price for a machine as a book has it: what it is for, and how much for one of that. */
export function machinePrice(price: string, units: RowUnits): { price: string; period: Period } {
  const { period, perCount, parts = 1 } = units
  // As most lists have it: nothing to reckon.
  if (perCount === 1 && parts === 1 && (period === 'hour' || period === 'month' || period === 'second'))
    return { price, period }
  const one = multiply(parseDecimal(price)!, { n: 1n, d: countOf(units) })
  switch (period) {
    case 'second':
    case 'hour':
    case 'month':
      return { price: text(one), period }
    case 'minute':
      return { price: text(multiply(one, { n: 60n, d: 1n })), period: 'hour' }
    // Rates an hour, to 18 digits; printed months have 730.
    case 'day':
      return { price: text(multiply(one, { n: 1n, d: 24n })), period: 'hour' }
    case 'week':
      return { price: text(multiply(one, { n: 1n, d: 168n })), period: 'hour' }
    case '730-hours':
      return { price: text(multiply(one, { n: 1n, d: 730n })), period: 'hour' }
    case 'year':
      return { price: text(multiply(one, { n: 1n, d: 12n })), period: 'month' }
  }
}

/** A price for a GiB and month; a GB is less than a GiB, so the price of one is less. */
export function roomPrice(price: string, units: RowUnits): string {
  const one = multiply(parseDecimal(price)!, { n: 1n, d: countOf(units) })
  const { n, d } = gibIn(units.diskRoom)
  return text(multiply(monthly(one, units.period), { n: d, d: n }))
}

/** A price for an hour; a month is taken as 730 of them, and a year as twelve months. */
export function hourlyPrice(price: string, units: RowUnits): string {
  const hours = {
    second: [3_600n, 1n],
    minute: [60n, 1n],
    hour: [1n, 1n],
    day: [1n, 24n],
    week: [1n, 168n],
    month: [1n, 730n],
    '730-hours': [1n, 730n],
    year: [1n, 8_760n],
  } as const
  const [n, d] = hours[units.period]
  return text(multiply(parseDecimal(price)!, { n, d: d * countOf(units) }))
}

/** A price for a whole disk and month. */
export const wholePrice = (price: string, units: RowUnits): string =>
  text(monthly(multiply(parseDecimal(price)!, { n: 1n, d: countOf(units) }), units.period))

/** Disks are priced by the month: what is given by the hour is so for 730 of them, as printed lists reckon. */
function monthly(price: Exact, period: ListUnits['period']): Exact {
  switch (period) {
    case 'second':
      return multiply(price, { n: 730n * 3_600n, d: 1n })
    case 'minute':
      return multiply(price, { n: 730n * 60n, d: 1n })
    case 'hour':
      return multiply(price, { n: 730n, d: 1n })
    case 'day':
      return multiply(price, { n: 730n, d: 24n })
    case 'week':
      return multiply(price, { n: 730n, d: 168n })
    case 'year':
      return multiply(price, { n: 1n, d: 12n })
    case 'month':
    case '730-hours':
      return price
  }
}

/** What one price is more than another; undefined where it is less. */
export function priceAbove(price: string, base: string): string | undefined {
  const more = subtract(parseDecimal(price)!, parseDecimal(base)!)
  return sign(more) < 0 ? undefined : text(more)
}

/** A price in another currency at a rate, to the digits that a book keeps. */
export const convertedPrice = (price: string, rate: string): string =>
  text(multiply(parseDecimal(price)!, parseDecimal(rate)!))
