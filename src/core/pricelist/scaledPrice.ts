import { parseDecimal, roundToUnits, trimDecimal, unitsToDecimal } from '../quantity/decimal.ts'
import { multiply, sign, subtract, type Exact } from '../quantity/exact.ts'
import type { ListUnits, MemoryUnit } from './listMapping.ts'
import type { Period } from './sizeRows.ts'

/** Digits after the point that a price book keeps. */
const DIGITS = 18

/** GiB that one of a unit is, exactly. */
const GIB: { readonly [Unit in MemoryUnit]: Exact } = {
  GiB: { n: 1n, d: 1n },
  MiB: { n: 1n, d: 1024n },
  GB: { n: 1_000_000_000n, d: 1_073_741_824n },
  MB: { n: 1_000_000n, d: 1_073_741_824n },
}

/** Room or memory in GiB, in whole MiB to the nearest, since lists round what they divided. */
export function gibOf(text: string, unit: MemoryUnit): number {
  const { n, d } = multiply(parseDecimal(text)!, GIB[unit])
  return Number((n * 2048n + d) / (d * 2n)) / 1024
}

const text = (value: Exact): string => trimDecimal(unitsToDecimal(roundToUnits(value, DIGITS), DIGITS))

/** A price for a machine as a book has it: what it is for, and how much for one of that. */
export function machinePrice(
  price: string,
  { period, perCount }: ListUnits,
): { price: string; period: Period } {
  // As most lists have it: nothing to reckon.
  if (perCount === 1 && (period === 'hour' || period === 'month' || period === 'second'))
    return { price, period }
  const one = multiply(parseDecimal(price)!, { n: 1n, d: BigInt(perCount) })
  switch (period) {
    case 'second':
    case 'hour':
    case 'month':
      return { price: text(one), period }
    // Printed months have 730 hours: a rate an hour, to 18 digits.
    case '730-hours':
      return { price: text(multiply(one, { n: 1n, d: 730n })), period: 'hour' }
    case 'year':
      return { price: text(multiply(one, { n: 1n, d: 12n })), period: 'month' }
  }
}

/** A price for a GiB and month; a GB is less than a GiB, so the price of one is less. */
export function roomPrice(price: string, { period, perCount, diskRoom }: ListUnits): string {
  const one = multiply(parseDecimal(price)!, { n: 1n, d: BigInt(perCount) })
  const { n, d } = GIB[diskRoom]
  return text(multiply(monthly(one, period), { n: d, d: n }))
}

/** A price for an hour; a month is taken as 730 of them, and a year as twelve months. */
export function hourlyPrice(price: string, units: ListUnits): string {
  const hours = {
    second: [3_600n, 1n],
    hour: [1n, 1n],
    month: [1n, 730n],
    '730-hours': [1n, 730n],
    year: [1n, 8_760n],
  } as const
  const [n, d] = hours[units.period]
  return text(multiply(parseDecimal(price)!, { n, d: d * BigInt(units.perCount) }))
}

/** A price for a whole disk and month. */
export const wholePrice = (price: string, { period, perCount }: ListUnits): string =>
  text(monthly(multiply(parseDecimal(price)!, { n: 1n, d: BigInt(perCount) }), period))

/** Disks are priced by the month: what is given by the hour is so for 730 of them, as printed lists reckon. */
function monthly(price: Exact, period: ListUnits['period']): Exact {
  switch (period) {
    case 'second':
      return multiply(price, { n: 730n * 3_600n, d: 1n })
    case 'hour':
      return multiply(price, { n: 730n, d: 1n })
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
