import { parseDecimal } from '../quantity/decimal.ts'
import { multiply, type Exact } from '../quantity/exact.ts'
import { binaryUnit, bytesOf, type RoomUnit } from './roomUnit.ts'

/** GiB that one of a unit is, exactly. */
export const gibIn = (unit: RoomUnit): Exact => ({ n: bytesOf(unit), d: 1_073_741_824n })

/** Room in GiB, in whole MiB: to the nearest, since tables round what they divided, or up where all of it must have room. */
export function gibOf(text: string, unit: RoomUnit, rounding: 'nearest' | 'up' = 'nearest'): number {
  const { n, d } = multiply(parseDecimal(text)!, gibIn(unit))
  return Number(rounding === 'up' ? (n * 1024n + d - 1n) / d : (n * 2048n + d) / (d * 2n)) / 1024
}

/** Memory in GiB: the trade writes GB, and means GiB. */
export const memoryOf = (text: string, unit: RoomUnit): number => gibOf(text, binaryUnit(unit))
