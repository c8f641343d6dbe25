import { LONGEST_CELL } from './readFigure.ts'

/** Units of memory, room and traffic. With an i they are powers of 1,024. */
export type RoomUnit = 'KiB' | 'MiB' | 'GiB' | 'TiB' | 'PiB' | 'KB' | 'MB' | 'GB' | 'TB' | 'PB'

/** `GiB`, `gb`, `Go`, `gigabytes`, and `16G` beside a number; no `Gbps`, no `MB/s`. */
const UNIT =
  /(?<![\p{L}])(?:([kmgtp])(i)?(?:b|bytes?|octets?)|(kilo|mega|giga|tera|peta|kibi|mebi|gibi|tebi|pebi)(?:bytes?|octets?))(?!\p{L}|\s?\/\s?s|it)/iu
/** French octets; by themselves these could be other words. */
const OCTETS = /(?:\d\s?|\(|\b(?:par|en|de)\s)([KMGTP])(i)?o(?!\p{L})/u
const SHORT = /\d\s?([kmgtp])(i)?(?![\p{L}\p{N}])/iu

/** The first unit of room that a text names; undefined where it names none. */
export function roomUnitIn(text: string): RoomUnit | undefined {
  if (text.length > LONGEST_CELL) return undefined
  const [, letter, i, word] = UNIT.exec(text.replace(/_/g, ' ')) ?? []
  if (word !== undefined) {
    const isBinary = /bi$/i.test(word)
    return `${word[0]!.toUpperCase()}${isBinary ? 'iB' : 'B'}` as RoomUnit
  }
  const [, alone, short] =
    letter === undefined ? (OCTETS.exec(text) ?? SHORT.exec(text) ?? []) : [undefined, letter, i]
  return alone === undefined ? undefined : (`${alone.toUpperCase()}${short ? 'iB' : 'B'}` as RoomUnit)
}

const isBinary = (unit: RoomUnit): boolean => unit.includes('i')

/** The same magnitude in powers of 1,024. */
export const binaryUnit = (unit: RoomUnit): RoomUnit =>
  isBinary(unit) ? unit : (`${unit[0]!}iB` as RoomUnit)

/**
 * What a cell's own unit means in a column of which somebody said how it is counted: `GB` is the column's GiB where that is
 * counted in those.
 */
export const asCounted = (own: RoomUnit, column: RoomUnit): RoomUnit =>
  isBinary(column) ? binaryUnit(own) : own

/** The unit that stands beside the figure of a cell, or that of its column. */
export const unitOfCell = (text: string, column: RoomUnit): RoomUnit => {
  const own = roomUnitIn(text)
  return own ? asCounted(own, column) : column
}

/** Powers of ten or of 1,024. */
const POWERS = { K: 1, M: 2, G: 3, T: 4, P: 5 } as const

/** Bytes that one of a unit is. */
export function bytesOf(unit: RoomUnit): bigint {
  const power = BigInt(POWERS[unit[0] as keyof typeof POWERS])
  return isBinary(unit) ? 1_024n ** power : 1_000n ** power
}
