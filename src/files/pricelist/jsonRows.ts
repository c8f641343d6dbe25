/** Deeper nesting is no price list. */
const MOST_DEPTH = 40
const MOST_COLUMNS = 1_000
const MOST_ROWS = 2_000_000

type Scalar = string | number | boolean
type Cells = ReadonlyMap<string, string>

/** More than a list can be laid out as. */
export class ListTooWide extends Error {}

/**
 * JSON of any nesting as rows under headings, the first of them: an array of objects, or an object whose values are objects
 * of one shape, is a row for each; what stands above a row belongs to it; what is nested in a row and no collection
 * becomes columns such as `price.Lyon`. The keys of an object whose values are rows are a column named after it. O(values).
 */
export function jsonRows(value: unknown): string[][] {
  const columns = new Map<string, number>()
  const rows: Cells[] = []
  walk(value, { path: 'list', above: new Map(), depth: 0 }, (cells) => {
    if (rows.length >= MOST_ROWS) throw new ListTooWide(`The list has more than ${MOST_ROWS} rows.`)
    for (const column of cells.keys()) {
      if (!columns.has(column)) columns.set(column, columns.size)
    }
    if (columns.size > MOST_COLUMNS) throw new ListTooWide(`The list has more than ${MOST_COLUMNS} columns.`)
    rows.push(cells)
  })
  const headings = [...columns.keys()]
  return [headings, ...rows.map((cells) => headings.map((column) => cells.get(column) ?? ''))]
}

/** One JSON value a line. Lines that are none are rows with their text, so that they are counted and told. */
export const ndjsonRows = (text: string): string[][] =>
  jsonRows(
    text.split('\n').flatMap((line): unknown[] => {
      if (line.trim() === '') return []
      try {
        return [JSON.parse(line)]
      } catch {
        return [{ unreadable: line.slice(0, 80) }]
      }
    }),
  )

interface Place {
  /** Name of the collection that the value stands in. */
  readonly path: string
  /** Cells of what stands above. */
  readonly above: Cells
  readonly depth: number
}

function walk(value: unknown, { path, above, depth }: Place, emit: (cells: Cells) => void): void {
  if (depth > MOST_DEPTH) throw new ListTooWide(`The list is nested deeper than ${MOST_DEPTH}.`)
  if (Array.isArray(value)) {
    for (const item of value) walk(item, { path, above, depth: depth + 1 }, emit)
  } else if (isObject(value)) {
    if (isMap(value)) {
      for (const [key, item] of Object.entries(value)) {
        walk(item, { path, above: new Map(above).set(path, key), depth: depth + 1 }, emit)
      }
      return
    }
    const cells = new Map(above)
    const collections: [string, unknown][] = []
    lay(value, '', cells, collections, depth)
    if (collections.length === 0) emit(cells)
    for (const [name, items] of collections) {
      walk(items, { path: name, above: cells, depth: depth + 1 }, emit)
    }
  }
}

/** Scalars of an object as cells, those of plain objects in it under longer headings; collections are set aside. */
function lay(
  value: object,
  prefix: string,
  cells: Map<string, string>,
  collections: [string, unknown][],
  depth: number,
): void {
  if (depth > MOST_DEPTH) throw new ListTooWide(`The list is nested deeper than ${MOST_DEPTH}.`)
  for (const [key, item] of Object.entries(value)) {
    const name = prefix === '' ? key : `${prefix}.${key}`
    if (isScalar(item)) cells.set(headingOf(name, cells), String(item))
    else if (Array.isArray(item)) {
      if (item.some(isObject)) collections.push([name, item])
      else if (item.length > 0) cells.set(headingOf(name, cells), item.filter(isScalar).join(' '))
    } else if (isObject(item)) {
      if (isMap(item)) collections.push([name, item])
      else lay(item, name, cells, collections, depth + 1)
    }
  }
}

/** What stands above and is called the same keeps its heading. */
function headingOf(name: string, cells: Cells): string {
  let heading = name
  for (let count = 2; cells.has(heading); count++) heading = `${name} (${count})`
  return heading
}

const isScalar = (value: unknown): value is Scalar =>
  typeof value === 'string' || typeof value === 'number' || typeof value === 'boolean'

const isObject = (value: unknown): value is object =>
  typeof value === 'object' && value !== null && !Array.isArray(value)

/** Whether the keys of an object are data: its values are several objects, or lists of them, of one shape. */
function isMap(value: object): boolean {
  const items = Object.values(value) as unknown[]
  if (
    items.length < 2 ||
    !items.every((item) => isObject(item) || (Array.isArray(item) && item.some(isObject)))
  ) {
    return false
  }
  const shapes = items.map(
    (item) => new Set(Object.keys((Array.isArray(item) ? item.find(isObject) : item) as object)),
  )
  const [first, ...others] = shapes
  return others.every((shape) => {
    const shared = [...shape].filter((key) => first!.has(key)).length
    return shared * 2 >= Math.max(1, Math.min(shape.size, first!.size)) && shared > 0
  })
}
