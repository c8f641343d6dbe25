import type { PriceBook } from '../core/catalogue/priceBook.ts'
import { BookEdits } from './BookEdits.ts'
import type { NotchgaugeDatabase } from './database.ts'
import { deleteBook, editionName, loadBooks, storeBook } from './planStore.ts'
import type { CheckStored } from './seals.ts'
import type { SessionState } from './sessionState.ts'
import { PriceRecipes } from './PriceRecipes.ts'
import { UnfinishedList } from './UnfinishedList.ts'
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
  readonly edits = new BookEdits({ add: (book) => this.add(book) })
  readonly recipes: PriceRecipes
  readonly unfinishedList: UnfinishedList
  /** What is still to be stored, by edition: the newest of each alone. */
  private readonly waiting = new Map<string, () => Promise<number>>()
  private storing: Promise<void> | undefined
  /** The newest revision that was heard of while something of our own was being stored. */
  private heardOf = 0

  constructor(
    private readonly db: NotchgaugeDatabase,
    private readonly shown: Shown,
    private readonly onStored: () => void = () => undefined,
  ) {
    this.recipes = new PriceRecipes(db)
    this.unfinishedList = new UnfinishedList(db)
  }

  /** Whether all that is shown is stored, or could not be. */
  isStored(): boolean {
    return this.storing === undefined
  }

  /** Takes a book into use; the same edition of the same provider gives way to it. */
  async add(book: PriceBook): Promise<void> {
    const { books, refusedBooks } = this.shown.snapshot()
    const name = editionName(book)
    const isKnown = books.some((other) => editionName(other) === name)
    this.shown.show({
      books: isKnown ? books.map((other) => (editionName(other) === name ? book : other)) : [...books, book],
      refusedBooks: refusedBooks.filter((refused) => refused !== name),
    })
    await this.keep(name, () => storeBook(this.db, book))
  }

  async remove(book: PriceBook): Promise<void> {
    const { books } = this.shown.snapshot()
    const name = editionName(book)
    this.shown.show({ books: books.filter((other) => editionName(other) !== name) })
    await this.keep(name, () => deleteBook(this.db, book))
  }

  /** Reads the books anew where another tab has stored some. */
  follow(revision: number): void {
    if (this.storing) this.heardOf = Math.max(this.heardOf, revision)
    else if (revision > this.revision) void this.reload(revision).catch(() => undefined)
  }

  /** Stores one after the other; of an edition that changes faster than that, what it is by then. */
  private keep(name: string, change: () => Promise<number>): Promise<void> {
    this.waiting.set(name, change)
    return (this.storing ??= this.storeAll())
  }

  private async storeAll(): Promise<void> {
    try {
      for (let next = this.take(); next; next = this.take()) this.revision = await next()
    } catch (error) {
      this.shown.show({ saveProblem: storageProblem(error) })
    } finally {
      this.storing = undefined
      this.onStored()
      this.follow(this.heardOf)
    }
  }

  private take(): (() => Promise<number>) | undefined {
    const [first] = this.waiting
    if (!first) return undefined
    this.waiting.delete(first[0])
    return first[1]
  }

  private async reload(revision: number): Promise<void> {
    const { books } = await loadBooks(this.db, this.shown.checkStored)
    this.revision = revision
    if (!this.storing) this.shown.show({ books })
  }
}
