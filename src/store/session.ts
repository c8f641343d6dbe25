import { liveQuery, type Subscription } from 'dexie'
import { produce } from 'immer'
import type { PriceBook } from '../core/catalogue/priceBook.ts'
import { editLabels, makeChange, type Change, type Recipe } from './change.ts'
import type { History } from './history.ts'
import type { Plan } from '../core/machine/plan.ts'
import { earlierPlans, type EarlierPlan } from './earlierPlans.ts'
import { replacePlan } from './commands.ts'
import { PlanShelf } from './planShelf.ts'
import { rebase } from './rebase.ts'
import type { NotchgaugeDatabase } from './database.ts'
import { Listeners } from './Listeners.ts'
import { openStored, type Demo, type Saved } from './openStored.ts'
import { deleteBook, editionName, loadBooks, loadPlan, savePlan, storeBook } from './planStore.ts'
import { NOTHING_OPEN, type SessionState } from './sessionState.ts'
import { storageProblem, StoreError } from './storageProblem.ts'
import { UnsavedPlan } from './UnsavedPlan.ts'

/**
 * The open plan: what is shown now, its history, and the queue of changes to be saved. A change shows at once and is
 * saved after; what cannot be saved stays open, is said, and is tried again with the next change.
 */
export class Session {
  private state: SessionState = NOTHING_OPEN
  private history: History = { edits: [], cursor: 0 }
  /** The revision of what is in the store, and the plan and history that stand there. */
  private saved: Saved = { revision: 0, plan: NOTHING_OPEN.plan, history: this.history }
  private pending: Change[] = []
  private working = false
  /** The newest revision of the store that was heard of; another tab’s where it is beyond the saved one. */
  private heardOf = 0
  private previewed: Plan | undefined
  private readonly listeners = new Listeners()
  private readonly settledListeners = new Listeners()
  /** The revision of the stored books that are shown. */
  private booksRevision = 0
  private following: Subscription | undefined

  /** The plans that are not open. */
  readonly shelf: PlanShelf

  constructor(
    private readonly db: NotchgaugeDatabase,
    private readonly loadDemo: () => Promise<Demo>,
    private readonly unsaved = new UnsavedPlan(),
  ) {
    this.shelf = new PlanShelf(db)
  }

  readonly subscribe = this.listeners.add

  readonly snapshot = (): SessionState => this.state

  /** Opens what is stored, or the demo on a first visit. Never throws: what fails is said on the screen. */
  async open(): Promise<void> {
    try {
      await this.openStored()
    } catch (error) {
      this.show({ status: 'damaged', saveProblem: storageProblem(error) })
    }
  }

  private async openStored(): Promise<void> {
    const { saved, booksRevision, shown, isKept, wasThere } = await openStored(this.db, this.loadDemo)
    if (saved) {
      this.saved = saved
      this.history = saved.history
      this.heardOf = saved.revision
    }
    this.booksRevision = booksRevision
    if (!wasThere && isKept) this.unsaved.discard()
    this.show(shown)
    if (isKept) this.follow()
    const unsaved = wasThere && saved && this.unsaved.take(saved.revision)
    if (unsaved) this.edit(unsaved.label || 'changes that were not saved yet', replacePlan(unsaved.plan))
  }

  close(): void {
    this.following?.unsubscribe()
  }

  /** What still waits to be saved is kept at once, where the page may end before the store has answered. */
  readonly keepUnsaved = (): void => {
    if (this.settled()) return
    // Never what is only shown while a hand moves.
    const plan = this.previewed ?? this.state.plan
    this.unsaved.keep({
      base: this.saved.revision,
      changes: this.pending.length,
      label: editLabels(this.pending).join(', '),
      plan,
    })
  }

  /** True where nothing waits to be saved. Told apart from the rest, since it changes twice with every edit. */
  readonly settled = (): boolean => this.pending.length === 0

  readonly subscribeSettled = this.settledListeners.add

  /** Shows a change without making it, as while painting; undefined takes it back. */
  preview(recipe: Recipe | undefined): void {
    if (!recipe) {
      if (this.previewed) this.show({ plan: this.previewed })
      this.previewed = undefined
      return
    }
    this.previewed ??= this.state.plan
    this.show({ plan: produce(this.previewed, recipe) })
  }

  edit(label: string, recipe: Recipe): void {
    this.preview(undefined)
    if (this.apply({ kind: 'edit', label, recipe })) this.enqueue({ kind: 'edit', label, recipe })
  }

  undo(): void {
    this.preview(undefined)
    if (this.apply({ kind: 'undo' })) this.enqueue({ kind: 'undo' })
  }

  redo(): void {
    this.preview(undefined)
    if (this.apply({ kind: 'redo' })) this.enqueue({ kind: 'redo' })
  }

  dismissWelcome(): void {
    this.show({ welcome: false })
    this.enqueue({ kind: 'welcome' })
  }

  /** Takes a book into use; the same edition of the same provider gives way to it. */
  async addBook(book: PriceBook): Promise<void> {
    const others = this.state.books.filter((other) => editionName(other) !== editionName(book))
    const refusedBooks = this.state.refusedBooks.filter((name) => name !== editionName(book))
    this.show({ books: [...others, book], refusedBooks })
    await this.keepBooks(() => storeBook(this.db, book))
  }

  async removeBook(book: PriceBook): Promise<void> {
    this.show({ books: this.state.books.filter((other) => editionName(other) !== editionName(book)) })
    await this.keepBooks(() => deleteBook(this.db, book))
  }

  private async keepBooks(change: () => Promise<number>): Promise<void> {
    try {
      this.booksRevision = await change()
    } catch (error) {
      this.show({ saveProblem: storageProblem(error) })
    }
  }

  /** Makes a change on what is shown. False when it changes nothing. */
  private apply(change: Change): boolean {
    const made = makeChange(this.state.plan, this.history, change)
    if (!made) return false
    this.history = made.history
    this.show({ plan: made.plan, ...(made.said !== undefined && { notices: [made.said] }) })
    return true
  }

  private enqueue(change: Change): void {
    this.pending.push(change)
    this.settledListeners.tell()
    void this.work()
  }

  private async work(): Promise<void> {
    if (this.working) return
    this.working = true
    try {
      // One after the other: another tab’s save that is taken up beside a save of our own could end up under it.
      while (this.isBehind() || this.pending.length > 0) {
        if (this.isBehind()) await this.takeUpOtherTab()
        else await this.saveOne(this.pending[0]!)
      }
      this.unsaved.forget()
      if (this.state.saveProblem) this.show({ saveProblem: undefined, staysOpen: false })
    } catch (error) {
      this.show({ saveProblem: storageProblem(error) })
    } finally {
      this.working = false
      this.settledListeners.tell()
    }
  }

  private isBehind(): boolean {
    return this.heardOf > this.saved.revision
  }

  private async saveOne(change: Change): Promise<void> {
    const made = makeChange(this.saved.plan, this.saved.history, change)
    if (made) {
      const { revision } = this.saved
      const done = await savePlan(this.db, { base: revision, plan: made.plan, change: made.stored })
      if (!done) return this.takeUpOtherTab()
      this.saved = { revision: revision + 1, plan: made.plan, history: made.history }
    }
    this.pending.shift()
    // The same steps as in the store, and not once more beside them.
    if (this.pending.length === 0) this.history = this.saved.history
  }

  /** Another tab has saved: its plan becomes the ground, and what waits here is made again on top of it. */
  private async takeUpOtherTab(): Promise<void> {
    const heard = this.heardOf
    const loaded = await loadPlan(this.db)
    // Said once: what cannot be read now is not read again until something newer is saved.
    if (!loaded?.ok) {
      this.heardOf = this.saved.revision
      throw new StoreError({ code: 'other-save-unreadable' })
    }
    const { plan, revision, edits, cursor, welcome } = loaded.value
    const before = this.saved
    const theirs = edits.filter(({ seq }) => seq > before.history.cursor && seq <= cursor)
    this.saved = { revision, plan, history: { edits, cursor } }
    // Where the store was begun anew its revisions may be lower than what was heard of; what came meanwhile stands.
    if (this.heardOf === heard) this.heardOf = revision
    const rebased = rebase(this.saved, this.pending, theirs, before.plan)
    this.history = rebased.history
    this.pending = [...rebased.pending]
    this.previewed = undefined
    const { said } = rebased
    this.show({ plan: rebased.plan, welcome, ...(said.length > 0 && { notices: said }) })
  }

  dismissNotice(): void {
    this.show({ notices: [] })
  }

  /** Another plan in place of the open one. One that lies on the shelf is laid there as it is now, not as it was. */
  replace(label: string, plan: Plan): void {
    const { id } = this.state.plan
    if (id !== undefined) {
      this.shelf
        .put({ ...this.state.plan, id })
        .catch((error: unknown) => this.show({ saveProblem: storageProblem(error) }))
    }
    this.edit(label, replacePlan(plan))
    this.noDemo()
  }

  /** Lays the open plan aside and opens another; says so, and leaves all as it is, where the storage has no room. */
  async openPlan(plan: Plan): Promise<void> {
    const { id = crypto.randomUUID(), ...open } = this.state.plan
    try {
      await this.shelf.put({ ...open, id })
    } catch (error) {
      this.show({ saveProblem: storageProblem(error), staysOpen: true })
      return
    }
    this.edit(`open ${plan.name}`, replacePlan({ ...plan, id: plan.id ?? crypto.randomUUID() }))
    this.noDemo()
  }

  /** What explains the demo says nothing of another plan. */
  private noDemo(): void {
    if (this.state.welcome) this.dismissWelcome()
  }

  /** The plan as it stood before each of the edits that are kept, the newest first. */
  earlier(): readonly EarlierPlan[] {
    return earlierPlans(this.state.plan, this.history)
  }

  private follow(): void {
    this.following?.unsubscribe()
    const query = liveQuery(async () => {
      const row = await this.db.plan.get('current')
      return { revision: row?.revision ?? 0, booksRevision: row?.booksRevision ?? 0 }
    })
    this.following = query.subscribe({
      next: ({ revision, booksRevision }) => {
        this.heardOf = revision
        if (!this.working && this.isBehind()) void this.work()
        if (booksRevision > this.booksRevision) void this.reloadBooks(booksRevision).catch(() => undefined)
      },
      error: (error: unknown) => this.show({ saveProblem: storageProblem(error) }),
    })
  }

  private async reloadBooks(booksRevision: number): Promise<void> {
    const { books } = await loadBooks(this.db)
    this.booksRevision = booksRevision
    this.show({ books })
  }

  private show(part: Partial<SessionState>): void {
    const { edits, cursor } = this.history
    const done = edits.filter(({ seq }) => seq <= cursor).at(-1)
    const undone = edits.find(({ seq }) => seq > cursor)
    this.state = { ...this.state, ...part, undoLabel: done?.label, redoLabel: undone?.label }
    this.listeners.tell()
  }
}
