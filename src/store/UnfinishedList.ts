import { MANNERS, type Manner } from '../core/manner/manners.ts'
import type { PriceRecipe } from '../core/pricelist/priceRecipe.ts'
import type { ListSource } from '../files/pricelist/listAnswer.ts'
import type { NotchgaugeDatabase, StoredList } from './database.ts'

/** A list with what was answered of it so far. */
export interface ListInHand {
  readonly name: string
  readonly source: ListSource
  readonly provider: string
  readonly manner: Manner
  readonly mapping?: PriceRecipe['mapping']
  readonly assumed?: PriceRecipe['assumed']
}

/** Larger files are not copied into the browser's store: they have to be opened again. */
const MOST_BYTES = 64 * 1024 * 1024

/** The list that is being mapped, so that it is there again after a reload. */
export class UnfinishedList {
  constructor(private readonly db: NotchgaugeDatabase) {}

  /** None where nothing is unfinished, or what is stored can no longer be read. */
  async read(): Promise<ListInHand | undefined> {
    try {
      const row = await this.db.lists.get('open')
      const source = row && sourceOf(row)
      const manner = MANNERS.find((each) => each === row?.manner)
      if (!row || !source || !manner) return undefined
      const { name, provider, recipe } = row
      if (recipe === undefined) return { name, provider, manner, source }
      const { readRecipe } = await import('../files/pricelist/recipeFile.ts')
      const read = readRecipe(recipe)
      if (!read.ok) return { name, provider, manner, source }
      const { mapping, assumed } = read.value
      return { name, provider, manner, source, mapping, ...(assumed && { assumed }) }
    } catch {
      return undefined
    }
  }

  /** Nothing where the browser does not store, or the list is too large to be copied. */
  async keep({ name, source, provider, manner, mapping, assumed }: ListInHand): Promise<void> {
    const bytes = source.kind === 'files' ? source.files.reduce((sum, { file }) => sum + file.size, 0) : 0
    if (bytes > MOST_BYTES) return
    const { writeRecipe } = await import('../files/pricelist/recipeFile.ts')
    const whose = { id: 'unfinished', name: provider }
    await this.db.lists
      .put({
        id: 'open',
        name,
        provider,
        manner,
        ...(mapping && {
          recipe: writeRecipe({ provider: whose, manner, mapping, ...(assumed && { assumed }) }),
        }),
        ...(source.kind === 'files' ? { files: source.files } : { tables: source.tables }),
      })
      .catch(() => undefined)
  }

  async forget(): Promise<void> {
    await this.db.lists.clear().catch(() => undefined)
  }
}

function sourceOf({ files, tables }: StoredList): ListSource | undefined {
  if (files?.every(({ name, file }) => typeof name === 'string' && file instanceof Blob))
    return { kind: 'files', files }
  const isRows = (rows: unknown): boolean =>
    Array.isArray(rows) &&
    rows.every((row) => Array.isArray(row) && row.every((cell) => typeof cell === 'string'))
  return tables?.every(({ name, rows }) => typeof name === 'string' && isRows(rows))
    ? { kind: 'tables', tables }
    : undefined
}
