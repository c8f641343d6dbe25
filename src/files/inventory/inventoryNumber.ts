import { ownValue } from '../../core/ownValue.ts'
import { gib, type GiB } from '../../core/quantity/units.ts'

/** How numbers are written in a table, as the person says. */
export interface NumberForm {
  readonly decimal: '.' | ','
  /** Of memory and room without a unit of their own. */
  readonly unit: 'GiB' | 'GB'
}

const MIB_PER_GIB = 1_024

/**
 * A number with the decimal mark that was chosen; the other mark, a space or an apostrophe may part thousands, in
 * threes. Undefined where it is none.
 */
export function parseNumber(text: string, decimal: NumberForm['decimal']): number | undefined {
  const group = decimal === '.' ? ',' : '.'
  const mark = decimal === '.' ? '\\.' : ','
  const groups = `[${group === '.' ? '\\.' : ','}' \u00a0\u202f]`
  const form = new RegExp(`^(\\d+|\\d{1,3}(?:${groups}\\d{3})+)(?:${mark}(\\d{1,6}))?$`)
  const match = form.exec(text.trim())
  if (!match) return undefined
  return Number(`${match[1]!.replace(/\D/g, '')}.${match[2] ?? '0'}`)
}

/**
 * Room in GiB, in whole MiB, rounded up: `128`, `128 GiB`, `500 GB`, `2 TiB`. What has no unit is in that of the table.
 */
export function parseRoom(text: string, { decimal, unit }: NumberForm): GiB | undefined {
  const match = /^(.*?)\s*(GiB|GB|TiB|TB|MiB|MB)?$/i.exec(text.trim())
  const value = match && parseNumber(match[1]!, decimal)
  if (value === undefined || value === null || value <= 0) return undefined
  const factor = ownValue(GIB_PER, (match![2] ?? unit).toLowerCase())!
  return gib(Math.ceil(value * factor * MIB_PER_GIB - 1e-9) / MIB_PER_GIB)
}

const GIB_PER: Readonly<Record<string, number>> = {
  mib: 1 / MIB_PER_GIB,
  gib: 1,
  tib: MIB_PER_GIB,
  mb: 1e6 / 2 ** 30,
  gb: 1e9 / 2 ** 30,
  tb: 1e12 / 2 ** 30,
}
