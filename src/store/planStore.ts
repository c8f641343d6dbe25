import type { PriceBook } from '../core/catalogue/priceBook.ts'
import type { Plan } from '../core/machine/plan.ts'
import { accept, type Outcome } from '../core/outcome.ts'
import { checkedPlan, planToFile } from '../files/plan/planDocument.ts'
import type { FileIssue } from '../files/reading/fileIssue.ts'
import { compactPatches } from './compactPatches.ts'
import type { NotchgaugeDatabase } from './database.ts'
import { MOST_EDITS, unbroken, type History, type Step, type StepPatches } from './history.ts'
import { liesInRows, planTables, readWholePlan, writeWholePlan, type WholePlan } from './storedPlan.ts'
import { hasManyPrices } from '../files/priceBook/manyPrices.ts'
import { bookToStore, storedBookFile } from './storedBook.ts'
import { bookSeal, PLAN_SEAL, trustedRows, type CheckStored } from './seals.ts'

export interface LoadedPlan {
  readonly plan: Plan
  readonly revision: number
  /** Without what the steps change, which is read when it is asked for. */
  readonly history: History
  /** Stored steps that can no longer be taken back or done again. */
  readonly lostSteps: number
  readonly welcome: boolean
  readonly booksRevision: number
}

/** What is stored, held against the same schema as a file where it has changed since it last was. Undefined where nothing is. */
export async function loadPlan(
  db: NotchgaugeDatabase,
  checkStored?: CheckStored,
): Promise<Outcome<LoadedPlan, FileIssue> | undefined> {
  const [whole, steps, count] = await db.transaction('r', [...planTables(db), db.edits], () =>
    Promise.all([readWholePlan(db), labelsOf(db), db.edits.count()]),
  )
  if (!whole) return undefined
  const { row, file } = whole
  const isTrusted = await trustedRows(db, [{ of: PLAN_SEAL, file }], checkStored)
  const plan = isTrusted.has(PLAN_SEAL)
    ? accept(checkedPlan(file))
    : (await import('./checkStored.ts')).parseStoredPlan(file)
  if (!plan.ok) return plan
  // A plan is not lost with the numbers that stand beside it.
  const [revision, stood, booksRevision] = [row.revision, row.cursor, row.booksRevision].map(counted)
  const history = unbroken(steps, stood!)
  return accept({
    plan: plan.value,
    revision: revision!,
    history,
    lostSteps: count - history.edits.length,
    welcome: row.welcome === true,
    booksRevision: booksRevision!,
  })
}

/** Of the stored steps their labels alone: what they change can be megabytes. */
async function labelsOf(db: NotchgaugeDatabase): Promise<Step[]> {
  const keys: readonly unknown[] = await db.edits.orderBy('[seq+label]').keys()
  return keys.flatMap((key) => {
    const [seq, label] = key as [unknown, unknown]
    return typeof label === 'string' && Number.isSafeInteger(seq) && Number(seq) > 0
      ? [{ seq: Number(seq), label: label.slice(0, 1_000) }]
      : []
  })
}

const counted = (value: unknown): number =>
  typeof value === 'number' && Number.isSafeInteger(value) && value >= 0 ? value : 0

const nameOf = (provider: string, edition: string): string => `${provider}, edition ${edition}`

/** What tells one edition from all others. */
export const editionName = ({ provider, edition }: PriceBook): string => nameOf(provider.id, edition)

/** The stored price books, and the problems of any that no longer pass. */
export async function loadBooks(
  db: NotchgaugeDatabase,
  checkStored?: CheckStored,
): Promise<{ books: PriceBook[]; refused: string[] }> {
  const books: PriceBook[] = []
  const refused: string[] = []
  const rows = (await db.editions.toArray()).map((row) => ({ ...row, file: storedBookFile(row.file) }))
  const sealed = rows.map((row) => ({ of: bookSeal(row.provider, row.edition), file: row.file }))
  const isTrusted = await trustedRows(db, sealed, checkStored)
  for (const { provider, edition, file } of rows) {
    const book = isTrusted.has(bookSeal(provider, edition))
      ? accept(file as PriceBook)
      : (await import('./checkStored.ts')).parseStoredBook(file)
    if (book.ok) books.push(book.value)
    else refused.push(nameOf(provider, edition))
  }
  return { books, refused }
}

/** Answers the revision of the stored books after it; 0 where no plan is stored yet. */
export async function storeBook(db: NotchgaugeDatabase, book: PriceBook): Promise<number> {
  if (hasManyPrices(book)) await idleMoment()
  const file = bookToStore(book)
  return changeBooks(db, async () => {
    await db.editions.put({ provider: book.provider.id, edition: book.edition, file })
  })
}

/** What was typed is drawn first. */
const idleMoment = (): Promise<void> =>
  new Promise((resolve) => {
    if ('requestIdleCallback' in globalThis) requestIdleCallback(() => resolve(), { timeout: 500 })
    else setTimeout(resolve, 0)
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
): Promise<WholePlan> {
  return db.transaction('rw', [...planTables(db), db.edits], async () => {
    const before = await db.plan.get('current')
    const head = {
      revision: counted(before?.revision) + 1,
      cursor: 0,
      booksRevision: before?.booksRevision ?? 0,
      welcome,
    }
    await db.edits.clear()
    return writeWholePlan(db, { head, file: planToFile(plan) })
  })
}

export type StoredChange =
  | { readonly kind: 'edit'; readonly step: Step & { readonly patches: StepPatches } }
  | { readonly kind: 'cursor'; readonly cursor: number }
  | { readonly kind: 'welcome' }
  /** Steps before or after the cursor that can no longer be taken. */
  | { readonly kind: 'forget'; readonly side: 'before' | 'after' }

export interface SaveInputs {
  /** The revision that the change was made on, and the plan that lies in the store as it. */
  readonly base: number
  readonly was: Plan
  readonly plan: Plan
  readonly change: StoredChange
}

/**
 * Saves a plan and the edit that led to it in one transaction. False, with nothing written, when another tab has
 * saved since: the caller takes that up and makes the change again.
 */
export async function savePlan(
  db: NotchgaugeDatabase,
  { base, was, plan, change }: SaveInputs,
): Promise<boolean> {
  return db.transaction('rw', [...planTables(db), db.edits], async () => {
    const row = await db.plan.get('current')
    if (row && counted(row.revision) !== base) return false
    const cursor =
      change.kind === 'edit' ? change.step.seq : change.kind === 'cursor' ? change.cursor : (row?.cursor ?? 0)
    if (change.kind === 'edit') {
      const { seq, label, patches } = change.step
      await db.edits.where('seq').aboveOrEqual(seq).delete()
      await db.edits.add({
        seq,
        label,
        forward: compactPatches(patches.forward),
        inverse: compactPatches(patches.inverse),
      })
      await db.edits
        .where('seq')
        .belowOrEqual(seq - MOST_EDITS)
        .delete()
    }
    if (change.kind === 'forget') {
      const forgotten = db.edits.where('seq')
      await (change.side === 'before' ? forgotten.belowOrEqual(cursor) : forgotten.above(cursor)).delete()
    }
    const welcome = change.kind === 'welcome' ? false : (row?.welcome ?? false)
    const head = { revision: base + 1, cursor, booksRevision: row?.booksRevision ?? 0, welcome }
    const lies = row && liesInRows(row) ? was.machines : undefined
    await writeWholePlan(db, { head, file: planToFile(plan), was: lies })
    return true
  })
}
