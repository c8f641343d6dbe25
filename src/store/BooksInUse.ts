import type { PriceBook } from '../core/catalogue/priceBook.ts'
import type { NotchgaugeDatabase } from './database.ts'
import { deleteBook, editionName, loadBooks, storeBook } from './planStore.ts'
import type { CheckStored } from './seals.ts'
import type { SessionState } from './sessionState.ts'
import { storageProblem } from './storageProblem.ts'

interface Shown {
  readonly snapshot: () => SessionState
  readonly show: (part: Partial<SessionState>) => void
  readonly checkStored: CheckStored | undefined
}

/** The price books that a plan is priced by: shown at once, stored after, and followed where another tab stores some. */
export class BooksInUse {
  /** Of the stored books that are shown. */
  revision = 0

  constructor(
    private readonly db: NotchgaugeDatabase,
    private readonly shown: Shown,
  ) {}

  /** Takes a book into use; the same edition of the same provider gives way to it. */
  async add(book: PriceBook): Promise<void> {
    const { books, refusedBooks } = this.shown.snapshot()
    this.shown.show({
      books: [...books.filter((other) => editionName(other) !== editionName(book)), book],
      refusedBooks: refusedBooks.filter((name) => name !== editionName(book)),
    })
    await this.keep(() => storeBook(this.db, book))
  }

  async remove(book: PriceBook): Promise<void> {
    const { books } = this.shown.snapshot()
    this.shown.show({ books: books.filter((other) => editionName(other) !== editionName(book)) })
    await this.keep(() => deleteBook(this.db, book))
  }

  /** Reads the books anew where another tab has stored some. */
  follow(revision: number): void {
    if (revision > this.revision) void this.reload(revision).catch(() => undefined)
  }

  private async keep(change: () => Promise<number>): Promise<void> {
    try {
      this.revision = await change()
    } catch (error) {
      this.shown.show({ saveProblem: storageProblem(error) })
    }
  }

  private async reload(revision: number): Promise<void> {
    const { books } = await loadBooks(this.db, this.shown.checkStored)
    this.revision = revision
    this.shown.show({ books })
  }
}
