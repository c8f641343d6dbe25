import type { ListMapping, ListUnits } from './listMapping.ts'

/** How a file is written is one for all of it; how prices are counted is told of each kind of row by itself. */
const OF_FILE: readonly (keyof ListUnits)[] = ['decimalMark', 'dateOrder']

/**
 * A mapping in which the rows of the meaning at `at` are counted otherwise. Where a list has several meanings, the others
 * go on as they were: cents of machines are none of disks. Only how the file is written is changed for all, from the first
 * meaning, unless that has its own.
 */
export function withUnits(mapping: ListMapping, at: number, part: Partial<ListUnits>): ListMapping {
  const { units: own = {} } = mapping.rows[at]!
  const isOfFile = at === 0 && OF_FILE.some((unit) => part[unit] !== undefined && own[unit] === undefined)
  if (mapping.rows.length === 1 && Object.keys(own).length === 0)
    return { ...mapping, units: { ...mapping.units, ...part } }
  if (isOfFile) return { ...mapping, units: { ...mapping.units, ...part } }
  const rows = mapping.rows.map((row, i) => (i === at ? { ...row, units: { ...own, ...part } } : row))
  return { ...mapping, rows }
}
