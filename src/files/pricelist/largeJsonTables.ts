import { jsonPieces, type JsonPiece } from './jsonPieces.ts'
import { JsonShape } from './jsonShape.ts'
import { headingOf, layJson, walkJson, type Cells, type Collection, type JsonPlace } from './jsonTables.ts'
import { UnreadableList, type ListTable } from './listTable.ts'

const MOST_TABLES = 40
const MOST_COLUMNS = 1_000

type Open = () => ReadableStream<Uint8Array>

/**
 * The tables of a JSON document that is too large to be in memory: once it is read for its shape, once for the columns of
 * its tables, and once for the rows of each table that is used. What stands behind a collection in the same object does
 * not belong to its rows, as it has not been read by then.
 */
export async function largeJsonTables(open: Open, largest?: number): Promise<ListTable[]> {
  const shape = new JsonShape()
  for await (const pieces of jsonPieces(open(), largest))
    for (const { path, value } of pieces) shape.learnAt(path, value)
  const columns = new Map<string, Set<string>>()
  const walk = placesFrom(shape)
  for await (const pieces of jsonPieces(open(), largest))
    walk(pieces, (table, cells) => note(columns, table, cells))
  return [...columns].map(([name, known]) => {
    const headings = [...known]
    return {
      name,
      columns: headings,
      mark: '.',
      isCostly: true,
      rows: rowsOf({ open, largest }, shape, name, headings),
    }
  })
}

function note(columns: Map<string, Set<string>>, table: string, cells: Cells): void {
  let known = columns.get(table)
  if (!known) {
    if (columns.size >= MOST_TABLES) throw new UnreadableList(`The list has more than ${MOST_TABLES} tables.`)
    columns.set(table, (known = new Set()))
  }
  for (const column of cells.keys()) known.add(column)
  if (known.size > MOST_COLUMNS) throw new UnreadableList(`The list has more than ${MOST_COLUMNS} columns.`)
}

async function* rowsOf(
  { open, largest }: { readonly open: Open; readonly largest: number | undefined },
  shape: JsonShape,
  table: string,
  columns: readonly string[],
): AsyncGenerator<string[][]> {
  const places = placesFrom(shape)
  for await (const pieces of jsonPieces(open(), largest)) {
    const rows: string[][] = []
    places(pieces, (of, cells) => {
      if (of === table) rows.push(columns.map((column) => cells.get(column) ?? ''))
    })
    yield rows
  }
}

type Emit = (table: string, cells: Cells) => void

/** Where values of an object or list that was entered stand. */
interface Entered extends JsonPlace {
  /** Scalars of a record so far, with what stands above it; and what their names begin with. */
  readonly cells: Map<string, string>
  readonly prefix: string
}

/** Walks pieces one batch after the other, and knows what stood above them. */
function placesFrom(shape: JsonShape): (pieces: readonly JsonPiece[], emit: Emit) => void {
  const root: JsonPlace = { path: 'list', shape, above: new Map() }
  let entered: readonly { readonly id: number; readonly place: Entered }[] = []
  return (pieces, emit) => {
    for (const { path, within, value } of pieces) {
      let known = 0
      while (known < within.length && entered[known]?.id === within[known]) known += 1
      const places = entered.slice(0, known)
      for (const id of within.slice(known)) {
        const parent = places.at(-1)?.place
        const place: Entered = parent
          ? enter(parent, path[places.length - 1])
          : { ...root, cells: new Map(), prefix: '' }
        places.push({ id, place })
      }
      entered = places
      const parent = places.at(-1)?.place
      if (parent) put(parent, path.at(-1), value, emit)
      else walkJson(value, root, emit)
    }
  }
}

/** The place of an object or list under a key of another. */
function enter(parent: Entered, key: string | undefined): Entered {
  const at = placeOf(parent, key)
  if (at) return { ...at, cells: new Map(at.above), prefix: '' }
  const name = nameIn(parent, key!)
  const own = parent.shape.under(key!)
  return own.isMap || own.isList
    ? { path: name, shape: own, above: parent.cells, cells: new Map(parent.cells), prefix: '' }
    : { path: parent.path, shape: own, above: parent.above, cells: parent.cells, prefix: name }
}

/** Undefined in a record: its keys are names, and no data. */
function placeOf({ path, shape, above }: Entered, key: string | undefined): JsonPlace | undefined {
  if (key === undefined) return { path, shape: shape.items, above }
  if (!shape.isMap) return undefined
  return { path, shape: shape.under(key), above: new Map(above).set(headingOf(path, above), key) }
}

const nameIn = ({ prefix }: Entered, key: string): string => (prefix === '' ? key : `${prefix}.${key}`)

function put(parent: Entered, key: string | undefined, value: unknown, emit: Emit): void {
  const at = placeOf(parent, key)
  if (at) return walkJson(value, at, emit)
  const collections: Collection[] = []
  layJson({ [key!]: value }, { path: parent.prefix, shape: parent.shape, above: parent.cells }, collections)
  for (const { items, ...within } of collections) walkJson(items, { ...within, above: parent.cells }, emit)
}
