import { isObject, JsonShape } from './jsonShape.ts'
import { UnreadableList } from './listTable.ts'

const MOST_COLUMNS = 1_000
const MOST_ROWS = 2_000_000
const MOST_TABLES = 40

type Scalar = string | number | boolean
export type Cells = ReadonlyMap<string, string>

interface JsonTable {
  readonly name: string
  readonly columns: readonly string[]
  readonly rows: readonly (readonly string[])[]
}

interface Growing {
  readonly columns: Map<string, number>
  readonly rows: Cells[]
}

/**
 * JSON of any nesting as tables: an array of objects, or an object whose values are objects of one shape, is a row for
 * each; what stands above a row belongs to it; what is nested in a row and no collection becomes columns such as
 * `price.Lyon`. The keys of an object whose values are rows are a column named after it. Collections that stand beside
 * each other are tables of their own. O(values).
 */
export function jsonTables(value: unknown): JsonTable[] {
  const tables = new Map<string, Growing>()
  let count = 0
  walkJson(value, { path: 'list', shape: JsonShape.of(value), above: new Map() }, (path, cells) => {
    let table = tables.get(path)
    if (!table) {
      if (tables.size >= MOST_TABLES)
        throw new UnreadableList(`The list has more than ${MOST_TABLES} tables.`)
      tables.set(path, (table = { columns: new Map(), rows: [] }))
    }
    if (++count > MOST_ROWS) throw new UnreadableList(`The list has more than ${MOST_ROWS} rows.`)
    const { columns } = table
    for (const column of cells.keys()) if (!columns.has(column)) columns.set(column, columns.size)
    if (columns.size > MOST_COLUMNS)
      throw new UnreadableList(`The list has more than ${MOST_COLUMNS} columns. Expected: at most that many.`)
    table.rows.push(cells)
  })
  return [...tables].map(([name, { columns, rows }]) => {
    const headings = [...columns.keys()]
    return {
      name,
      columns: headings,
      rows: rows.map((cells) => headings.map((column) => cells.get(column) ?? '')),
    }
  })
}

/** One JSON value a line. Lines that are none are rows with their text, so that they are counted and told. */
export const ndjsonTables = (text: string): JsonTable[] =>
  jsonTables(
    text.split('\n').flatMap((line): unknown[] => {
      if (line.trim() === '') return []
      try {
        return [JSON.parse(line)]
      } catch {
        return [{ unreadable: line.slice(0, 80) }]
      }
    }),
  )

/** Where a value of a JSON document stands. */
export interface JsonPlace {
  /** Name of the collection that the value stands in. */
  readonly path: string
  readonly shape: JsonShape
  /** Cells of what stands above. */
  readonly above: Cells
}

type Emit = (path: string, cells: Cells) => void

export function walkJson(value: unknown, { path, shape, above }: JsonPlace, emit: Emit): void {
  if (Array.isArray(value)) {
    for (const item of value) walkJson(item, { path, shape: shape.items, above }, emit)
  } else if (isObject(value)) {
    if (shape.isMap) {
      const column = headingOf(path, above)
      for (const [key, item] of Object.entries(value)) {
        walkJson(item, { path, shape: shape.under(key), above: new Map(above).set(column, key) }, emit)
      }
      return
    }
    const cells = new Map(above)
    const collections: Collection[] = []
    layJson(value, { path: '', shape, above: cells }, collections)
    if (collections.length === 0) emit(path, cells)
    for (const { items, ...within } of collections) walkJson(items, { ...within, above: cells }, emit)
  }
}

export interface Collection extends Pick<JsonPlace, 'path' | 'shape'> {
  readonly items: unknown
}

/** Scalars of an object as cells, those of plain objects in it under longer headings; collections are set aside. */
export function layJson(
  value: object,
  { path, shape, above: cells }: { readonly above: Map<string, string> } & Pick<JsonPlace, 'path' | 'shape'>,
  collections: Collection[],
): void {
  for (const [key, item] of Object.entries(value)) {
    const name = path === '' ? key : `${path}.${key}`
    const own = shape.under(key)
    if (isScalar(item)) cells.set(headingOf(name, cells), String(item))
    else if (Array.isArray(item)) {
      if (item.some(isObject)) collections.push({ path: name, shape: own, items: item })
      else if (item.length > 0) cells.set(headingOf(name, cells), item.filter(isScalar).join(' '))
    } else if (isObject(item)) {
      if (own.isMap) collections.push({ path: name, shape: own, items: item })
      else layJson(item, { path: name, shape: own, above: cells }, collections)
    }
  }
}

/** What stands above and is called the same keeps its heading. */
export function headingOf(name: string, cells: Cells): string {
  let heading = name
  for (let count = 2; cells.has(heading); count++) heading = `${name} (${count})`
  return heading
}

const isScalar = (value: unknown): value is Scalar =>
  typeof value === 'string' || typeof value === 'number' || typeof value === 'boolean'
