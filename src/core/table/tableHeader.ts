/** Where a table's headings stand, and what its columns are called: each name once. */
export interface TableHeader {
  /** Rows above the first one with data; the headings are in the last of them, or in several. */
  readonly rows: number
  readonly columns: readonly string[]
  /** What stands above each heading, and the heading; empty where the headings are in one row. */
  readonly levels: readonly (readonly [above: string, heading: string])[]
  /** What stands above the headings. */
  readonly about: string
}

/** More rows are not looked at for headings. */
const MOST_ABOVE = 60
const LONGEST_HEADING = 80
const LONGEST_ABOUT = 400

/** A sign of a currency beside a figure: `from C$ 0.05`, and no heading such as `1 year, $/h`. */
const MONEY = /[$€£₹¥]\s*\d|\d\s*[$€£₹¥]/

const isFigure = (cell: string): boolean => /^[^\p{L}]*\d[^\p{L}]*$/u.test(cell) || MONEY.test(cell)

/**
 * The headings are the last row of words before rows that hold figures under it. What stands above in fewer cells (a title,
 * a group over several columns) is put before the headings it spans where those repeat. O(cells of the first rows).
 */
export function tableHeader(rows: readonly (readonly string[])[]): TableHeader {
  const width = Math.max(0, ...rows.slice(0, MOST_ABOVE).map((row) => row.length))
  const filled = (row: readonly string[]): number => row.filter((cell) => cell.trim() !== '').length
  const hasFigures = (row: readonly string[]): boolean => row.some((cell) => isFigure(cell.trim()))
  const widest = Math.max(0, ...rows.slice(0, MOST_ABOVE).map(filled))
  const isBody = (row: readonly string[]): boolean => hasFigures(row) && filled(row) >= Math.min(2, widest)
  // The name of a section may stand between the headings and the first rows.
  const headsOf = (i: number): number => {
    let at = i - 1
    while (at > 0 && filled(rows[at]!) === 1 && !hasFigures(rows[at]!)) at -= 1
    return at
  }
  const isHead = (row: readonly string[] | undefined): boolean =>
    row !== undefined && filled(row) >= Math.min(2, widest)
  const body = rows
    .slice(0, MOST_ABOVE)
    .findIndex((row, i) => isBody(row) && (i === 0 || isHead(rows[headsOf(i)])))
  const first = body <= 0 ? body : headsOf(body) + 1
  if (first <= 0) {
    // Nothing but figures, or nothing at all: columns by their numbers.
    const isHeaded = first < 0 && rows.length > 0
    return { rows: isHeaded ? 1 : 0, columns: named(isHeaded ? rows[0]! : [], width), levels: [], about: '' }
  }
  const heads = rows[first - 1]!
  const groups = first >= 2 && filled(rows[first - 2]!) >= 2 ? spread(rows[first - 2]!, width) : []
  const repeats = new Set(heads.filter((cell, i) => cell.trim() !== '' && heads.indexOf(cell) !== i))
  const joined = Array.from({ length: width }, (_, i) => {
    const head = (heads[i] ?? '').trim()
    const group = (groups[i] ?? '').trim()
    const isVague = head === '' || repeats.has(heads[i] ?? '')
    return isVague && group !== '' && group !== head ? `${group} ${head}`.trim() : head
  })
  const levels = groups.map((group, i) => [group.trim(), (heads[i] ?? '').trim()] as const)
  const about = rows
    .slice(0, first - 1)
    .flatMap((row) => row.filter((cell) => cell.trim() !== ''))
    .join(' ')
    .slice(0, LONGEST_ABOUT)
  return { rows: first, columns: named(joined, width), levels, about }
}

/** A heading over several columns stands in the first of them. */
function spread(row: readonly string[], width: number): string[] {
  let last = ''
  return Array.from({ length: width }, (_, i) => {
    const cell = (row[i] ?? '').trim()
    if (cell !== '') last = cell
    return last
  })
}

/** Each name once; a column without one is called by its number. */
function named(heads: readonly string[], width: number): string[] {
  const taken = new Set<string>()
  return Array.from({ length: width }, (_, i) => {
    const plain = (heads[i] ?? '')
      .replace(/[\p{Cc}\p{Cf}\s]+/gu, ' ')
      .trim()
      .slice(0, LONGEST_HEADING)
    const base = plain === '' ? `column ${i + 1}` : plain
    let name = base
    for (let count = 2; taken.has(name); count++) name = `${base} (${count})`
    taken.add(name)
    return name
  })
}
