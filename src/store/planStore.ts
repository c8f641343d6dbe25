import type { PriceBook } from '../core/catalogue/priceBook.ts'
import type { Plan } from '../core/machine/plan.ts'
import { accept, refuse, type Outcome } from '../core/outcome.ts'
import { parsePlan } from '../files/plan/planFile.ts'
import { checkedPlan, planToFile, PLAN_KIND, PLAN_VERSION } from '../files/plan/planDocument.ts'
import { parsePriceBook } from '../files/priceBook/priceBookFile.ts'
import type { FileIssue } from '../files/reading/fileIssue.ts'
import { checkFormat } from '../files/reading/readJson.ts'
import type { NotchgaugeDatabase, StoredEdit, StoredPlan } from './database.ts'
import { MOST_EDITS } from './history.ts'
import { keptHistory } from './keptHistory.ts'
import { bookSeal, PLAN_SEAL, sealReader } from './seals.ts'

export interface LoadedPlan {
  readonly plan: Plan
  readonly revision: number
  readonly edits: readonly StoredEdit[]
  /** Stored steps that can no longer be taken back or done again. */
  readonly lostSteps: number
  readonly cursor: number
  readonly welcome: boolean
  readonly booksRevision: number
}

/** What is stored, held against the same schema as a file where it has changed since it last was. Undefined where nothing is. */
export async function loadPlan(db: NotchgaugeDatabase): Promise<Outcome<LoadedPlan, FileIssue> | undefined> {
  const [row, edits] = await db.transaction('r', db.plan, db.edits, () =>
    Promise.all([db.plan.get('current'), db.edits.orderBy('seq').toArray()]),
  )
  if (!row) return undefined
  const isSealed = await sealReader(db)
  const plan = (await isSealed(PLAN_SEAL, row.file))
    ? accept(checkedPlan(row.file))
    : parseStoredPlan(row.file)
  if (!plan.ok) return plan
  // A plan is not lost with the numbers that stand beside it.
  const [revision, stood, booksRevision] = [row.revision, row.cursor, row.booksRevision].map(counted)
  const { edits: kept, cursor, lost } = keptHistory(edits, stood!)
  return accept({
    plan: plan.value,
    revision: revision!,
    edits: kept,
    lostSteps: lost,
    cursor,
    welcome: row.welcome === true,
    booksRevision: booksRevision!,
  })
}

const counted = (value: unknown): number =>
  typeof value === 'number' && Number.isSafeInteger(value) && value >= 0 ? value : 0

/** A stored plan has the format of a file: one of a newer version, or of something else, is not read as if it were ours. */
export function parseStoredPlan(file: unknown): Outcome<Plan, FileIssue> {
  return readable(() => {
    const known = checkFormat(file, PLAN_KIND, PLAN_VERSION)
    return known.ok ? parsePlan(file) : known
  })
}

/** The store holds what no file can: whole numbers of any length, circles. What trips over them is a reading that failed. */
function readable<T>(read: () => Outcome<T, FileIssue>): Outcome<T, FileIssue> {
  try {
    return read()
  } catch (error) {
    console.error(error)
    const problem = 'What is stored holds something that cannot be read.'
    return refuse({ code: 'bad-value', pointer: '', problem, expected: 'what a file can hold.' })
  }
}

const nameOf = (provider: string, edition: string): string => `${provider}, edition ${edition}`

/** What tells one edition from all others. */
export const editionName = ({ provider, edition }: PriceBook): string => nameOf(provider.id, edition)

/** The stored price books, and the problems of any that no longer pass. */
export async function loadBooks(db: NotchgaugeDatabase): Promise<{ books: PriceBook[]; refused: string[] }> {
  const books: PriceBook[] = []
  const refused: string[] = []
  const rows = await db.editions.toArray()
  const isSealed = await sealReader(db)
  for (const row of rows) {
    const isChecked = await isSealed(bookSeal(row.provider, row.edition), row.file)
    const book = isChecked ? accept(row.file as PriceBook) : readable(() => parsePriceBook(row.file))
    if (book.ok) books.push(book.value)
    else refused.push(nameOf(row.provider, row.edition))
  }
  return { books, refused }
}

/** Answers the revision of the stored books after it; 0 where no plan is stored yet. */
export const storeBook = (db: NotchgaugeDatabase, book: PriceBook): Promise<number> =>
  changeBooks(db, async () => {
    await db.editions.put({ provider: book.provider.id, edition: book.edition, file: { ...book } })
  })

export const deleteBook = (db: NotchgaugeDatabase, { provider, edition }: PriceBook): Promise<number> =>
  changeBooks(db, () => db.editions.delete([provider.id, edition]))

const changeBooks = (db: NotchgaugeDatabase, change: () => Promise<void>): Promise<number> =>
  db.transaction('rw', db.plan, db.editions, async () => {
    await change()
    const row = await db.plan.get('current')
    if (!row) return 0
    const booksRevision = (row.booksRevision ?? 0) + 1
    await db.plan.put({ ...row, booksRevision })
    return booksRevision
  })

/** Lays a plan down anew, without history. */
export async function storeFreshPlan(
  db: NotchgaugeDatabase,
  plan: Plan,
  welcome: boolean,
): Promise<StoredPlan> {
  return db.transaction('rw', db.plan, db.edits, async () => {
    const before = await db.plan.get('current')
    const row: StoredPlan = {
      id: 'current',
      revision: counted(before?.revision) + 1,
      file: planToFile(plan),
      cursor: 0,
      booksRevision: before?.booksRevision ?? 0,
      welcome,
    }
    await db.edits.clear()
    await db.plan.put(row)
    return row
  })
}

export type StoredChange =
  | { readonly kind: 'edit'; readonly edit: StoredEdit }
  | { readonly kind: 'cursor'; readonly cursor: number }
  | { readonly kind: 'welcome' }
  /** Steps before or after the cursor that can no longer be taken. */
  | { readonly kind: 'forget'; readonly side: 'before' | 'after' }

export interface SaveInputs {
  /** The revision that the change was made on. */
  readonly base: number
  readonly plan: Plan
  readonly change: StoredChange
}

/**
 * Saves a plan and the edit that led to it in one transaction. False, with nothing written, when another tab has
 * saved since: the caller takes that up and makes the change again.
 */
export async function savePlan(db: NotchgaugeDatabase, { base, plan, change }: SaveInputs): Promise<boolean> {
  return db.transaction('rw', db.plan, db.edits, async () => {
    const row = await db.plan.get('current')
    if (row && counted(row.revision) !== base) return false
    const cursor =
      change.kind === 'edit' ? change.edit.seq : change.kind === 'cursor' ? change.cursor : (row?.cursor ?? 0)
    if (change.kind === 'edit') {
      await db.edits.where('seq').aboveOrEqual(change.edit.seq).delete()
      await db.edits.add(change.edit)
      await db.edits
        .where('seq')
        .belowOrEqual(change.edit.seq - MOST_EDITS)
        .delete()
    }
    if (change.kind === 'forget') {
      const forgotten = db.edits.where('seq')
      await (change.side === 'before' ? forgotten.belowOrEqual(cursor) : forgotten.above(cursor)).delete()
    }
    const welcome = change.kind === 'welcome' ? false : (row?.welcome ?? false)
    const booksRevision = row?.booksRevision ?? 0
    await db.plan.put({
      id: 'current',
      revision: base + 1,
      file: planToFile(plan),
      cursor,
      booksRevision,
      welcome,
    })
    return true
  })
}
