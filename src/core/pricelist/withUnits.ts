import type { ListMapping, ListUnits } from './listMapping.ts'

const UNITS: readonly (keyof ListUnits)[] = [
  'memory',
  'vcpuPerCount',
  'period',
  'perCount',
  'parts',
  'each',
  'diskRoom',
  'decimalMark',
  'dateOrder',
]

/**
 * A mapping in which the rows of the meaning at `at` are counted otherwise. The list's own units are changed for the first
 * meaning, unless that has its own of them: then, and for all others, only theirs are.
 */
export function withUnits(mapping: ListMapping, at: number, part: Partial<ListUnits>): ListMapping {
  const { units: own = {} } = mapping.rows[at]!
  const isOwn = at > 0 || UNITS.some((unit) => part[unit] !== undefined && own[unit] !== undefined)
  if (!isOwn) return { ...mapping, units: { ...mapping.units, ...part } }
  const rows = mapping.rows.map((row, i) => (i === at ? { ...row, units: { ...own, ...part } } : row))
  return { ...mapping, rows }
}
