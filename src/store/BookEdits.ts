import type { PriceBook } from '../core/catalogue/priceBook.ts'
import { editionName } from './planStore.ts'

/** More steps than anyone takes back one by one. */
const MOST_STEPS = 300

interface BookStep {
  readonly label: string
  /** Steps with the same one, made one after the other, are taken back as one: the letters of a field. */
  readonly field: string | undefined
  readonly before: PriceBook
  readonly after: PriceBook
}

interface BookHistory {
  readonly past: readonly BookStep[]
  readonly future: readonly BookStep[]
}

const NOTHING: BookHistory = { past: [], future: [] }

/**
 * Price books edited in place, each with its own way back for as long as the page is open. What is taken back is stored
 * as any edit is.
 */
export class BookEdits {
  private readonly histories = new Map<string, BookHistory>()

  constructor(private readonly books: { readonly add: (book: PriceBook) => Promise<void> }) {}

  edit(before: PriceBook, after: PriceBook, label: string, field?: string): void {
    if (before === after) return
    const { past } = this.historyOf(before)
    const last = past.at(-1)
    const goesOn = field !== undefined && last?.field === field && last.after === before
    const step: BookStep = goesOn ? { ...last, after } : { label, field, before, after }
    const kept = (goesOn ? past.slice(0, -1) : past).slice(-MOST_STEPS + 1)
    this.histories.set(editionName(after), { past: [...kept, step], future: [] })
    void this.books.add(after)
  }

  undoLabel = (book: PriceBook): string | undefined => this.historyOf(book).past.at(-1)?.label
  redoLabel = (book: PriceBook): string | undefined => this.historyOf(book).future.at(-1)?.label

  /** The book as it stands then; the same where there is nothing to take back, or it is not what was made here. */
  undo(book: PriceBook): PriceBook {
    const { past, future } = this.historyOf(book)
    const step = past.at(-1)
    if (!step) return book
    this.histories.set(editionName(book), { past: past.slice(0, -1), future: [...future, step] })
    void this.books.add(step.before)
    return step.before
  }

  redo(book: PriceBook): PriceBook {
    const { past, future } = this.historyOf(book)
    const step = future.at(-1)
    if (!step) return book
    this.histories.set(editionName(book), { past: [...past, step], future: future.slice(0, -1) })
    void this.books.add(step.after)
    return step.after
  }

  /** Of a book that another tab has changed meanwhile nothing can be taken back here. */
  private historyOf(book: PriceBook): BookHistory {
    const history = this.histories.get(editionName(book)) ?? NOTHING
    const stands = history.past.at(-1)?.after ?? history.future.at(-1)?.before
    return stands === undefined || stands === book ? history : NOTHING
  }
}
