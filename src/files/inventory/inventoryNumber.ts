import { gib, type GiB } from '../../core/quantity/units.ts'
import { readFigure, type DecimalMark } from '../../core/table/readFigure.ts'
import { gibOf, memoryOf } from '../../core/table/roomInGiB.ts'
import { asCounted, roomUnitIn, type RoomUnit } from '../../core/table/roomUnit.ts'

/** How numbers are written in a table, as the person says. */
export interface NumberForm {
  readonly decimal: DecimalMark
  /** Of room without a unit of its own; where it is GiB, so are disks that are written in GB. */
  readonly unit: 'GiB' | 'GB'
}

/** Units, words and signs beside a figure; what else has letters is none. */
const FIGURE = /^[^\p{L}\d]*\d[\d.,'’\s\u00a0\u202f]*(?:\p{L}[\p{L}\s]{0,12})?$/u

/** A number with the mark that parts decimals in the table. Undefined where it is none. */
export function parseNumber(text: string, decimal: DecimalMark): number | undefined {
  const read = FIGURE.test(text.trim()) ? readFigure(text, decimal) : undefined
  return read?.ok ? Number(read.value.text) : undefined
}

/**
 * Room in GiB, in whole MiB: `128`, `128 GiB`, `500 GB`, `2 TiB`. What has no unit is in that of its heading, or of the
 * table; GB of memory are GiB.
 */
export function parseRoom(
  text: string,
  { decimal, unit }: NumberForm,
  { heading = '', isMemory = false }: { readonly heading?: string; readonly isMemory?: boolean } = {},
): GiB | undefined {
  const read = FIGURE.test(text.trim()) ? readFigure(text, decimal) : undefined
  if (!read?.ok || Number(read.value.text) <= 0) return undefined
  const own = roomUnitIn(text)
  if (own === undefined && /\p{L}/u.test(text)) return undefined
  const said: RoomUnit = own ?? roomUnitIn(heading) ?? unit
  return gib(isMemory ? memoryOf(read.value.text, said) : gibOf(read.value.text, asCounted(said, unit), 'up'))
}
