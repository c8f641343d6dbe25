import type { PriceBook } from '../core/catalogue/priceBook.ts'
import type { Plan } from '../core/machine/plan.ts'
import type { NotchgaugeDatabase } from './database.ts'
import { NO_HISTORY, type History } from './history.ts'
import { bookSeal, PLAN_SEAL, sealRows, type CheckStored } from './seals.ts'
import { editionName, loadBooks, loadPlan, storeBook, storeFreshPlan } from './planStore.ts'
import type { SessionState } from './sessionState.ts'
import { storageProblem } from './storageProblem.ts'
import type { StorageProblem, StoreNotice } from './storeNotice.ts'

export interface Demo {
  readonly plan: Plan
  readonly books: readonly PriceBook[]
}

/** What stands in the store. */
export interface Saved {
  readonly revision: number
  readonly plan: Plan
  readonly history: History
}

interface OpenedStore {
  /** Undefined where the stored plan is damaged. */
  readonly saved: Saved | undefined
  readonly booksRevision: number
  readonly shown: Partial<SessionState>
  /** What other tabs save there is to be followed. */
  readonly isKept: boolean
  /** Whether the plan was there before: then what an earlier page could not save may belong to it. */
  readonly wasThere: boolean
}

/** Opens what is stored, or the demo on a first visit; where the store cannot be used, the demo without it. */
export async function openStored(
  db: NotchgaugeDatabase,
  loadDemo: () => Promise<Demo>,
  checkStored?: CheckStored,
): Promise<OpenedStore> {
  let problem: StorageProblem | undefined
  try {
    const found = await readStored(db, loadDemo, checkStored)
    if (found) return found
  } catch (error) {
    problem = storageProblem(error)
  }
  const demo = await loadDemo()
  let revision = 0
  if (problem === undefined) {
    try {
      for (const book of demo.books) await storeBook(db, book)
      const { row, file } = await storeFreshPlan(db, demo.plan, true)
      revision = row.revision
      // It passed when the program was built.
      await sealRows(db, [
        { of: PLAN_SEAL, file },
        ...demo.books.map((book) => ({ of: bookSeal(book.provider.id, book.edition), file: book })),
      ])
    } catch (error) {
      problem = storageProblem(error)
    }
  }
  const { plan, books } = demo
  return {
    saved: { revision, plan, history: NO_HISTORY },
    booksRevision: 0,
    shown: { status: 'ready', plan, books, welcome: true, saveProblem: problem },
    isKept: problem === undefined,
    wasThere: false,
  }
}

/** Undefined where nothing is stored yet. */
async function readStored(
  db: NotchgaugeDatabase,
  loadDemo: () => Promise<Demo>,
  checkStored?: CheckStored,
): Promise<OpenedStore | undefined> {
  const { books, refused } = await loadBooks(db, checkStored)
  const loaded = await loadPlan(db, checkStored)
  if (!loaded) return undefined
  if (!loaded.ok) {
    const shown = { status: 'damaged', damage: loaded.issues, books } as const
    return { saved: undefined, booksRevision: 0, shown, isKept: false, wasThere: true }
  }
  const { plan, revision, history, welcome, booksRevision, lostSteps } = loaded.value
  const demo = books.length === 0 || refused.length > 0 ? await loadDemo() : undefined
  const restored =
    demo?.books.filter((book) => books.length === 0 || refused.includes(editionName(book))) ?? []
  const refusedBooks = refused.filter((name) => !restored.some((book) => editionName(book) === name))
  const notices: StoreNotice[] = lostSteps > 0 ? [{ code: 'stored-steps-lost', count: lostSteps }] : []
  return {
    saved: { revision, plan, history },
    booksRevision,
    shown: { status: 'ready', plan, books: [...books, ...restored], welcome, refusedBooks, notices },
    isKept: true,
    wasThere: true,
  }
}
