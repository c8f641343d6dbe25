import { liveQuery, type Subscription } from 'dexie'
import { produce } from 'immer'
import { BooksInUse } from './BooksInUse.ts'
import { editLabels, isDrawnLater, makeChange, type Change, type MadeChange, type Recipe } from './change.ts'
import { lightened, NO_HISTORY, nextStep, stepLabels, type History, type Step } from './history.ts'
import type { Plan } from '../core/machine/plan.ts'
import { planBefore } from './planBefore.ts'
import { readSteps } from './readSteps.ts'
import type { CheckStored } from './seals.ts'
import { replacePlan } from './commands.ts'
import { PlanShelf } from './planShelf.ts'
import { rebase } from './rebase.ts'
import type { NotchgaugeDatabase } from './database.ts'
import { Listeners } from './Listeners.ts'
import { openStored, type Demo, type Saved } from './openStored.ts'
import { loadPlan, savePlan } from './planStore.ts'
import { NOTHING_OPEN, type SessionState } from './sessionState.ts'
import { StepQueue } from './StepQueue.ts'
import { storageProblem, StoreError } from './storageProblem.ts'
import type { StorageProblem } from './storeNotice.ts'
import { UnsavedPlan } from './UnsavedPlan.ts'

/** How many steps are read at once when one is asked for. */
const STEPS_READ = 20

/**
 * The open plan: what is shown now, its history, and the queue of changes to be saved. A change shows at once and is
 * saved after; what cannot be saved stays open, is said, and is tried again with the next change.
 */
export class Session {
  private state: SessionState = NOTHING_OPEN
  private history: History = NO_HISTORY
  /** The revision of what is in the store, and the plan and history that stand there. */
  private saved: Saved = { revision: 0, plan: NOTHING_OPEN.plan, history: this.history }
  private pending: Change[] = []
  private working = false
  /** The newest revision of the store that was heard of; another tab’s where it is beyond the saved one. */
  private heardOf = 0
  private previewed: Plan | undefined
  private editsMade = 0
  private readonly steps: StepQueue
  /** What was made of the last change, where it is saved on the same ground. */
  private lastMade: { readonly on: Plan; readonly of: Change; readonly made: MadeChange } | undefined
  private readonly listeners = new Listeners()
  private readonly settledListeners = new Listeners()
  private following: Subscription | undefined

  /** The plans that are not open. */
  readonly shelf: PlanShelf
  readonly books: BooksInUse

  constructor(
    readonly db: NotchgaugeDatabase,
    private readonly loadDemo: () => Promise<Demo>,
    private readonly unsaved = new UnsavedPlan(),
    private readonly checkStored?: CheckStored,
  ) {
    this.shelf = new PlanShelf(db)
    const show = (part: Partial<SessionState>): void => this.show(part)
    const { tell } = this.settledListeners
    this.books = new BooksInUse(db, { snapshot: this.snapshot, show, checkStored }, tell)
    this.steps = new StepQueue((kind) => this.readAndStep(kind), show, tell)
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
    const { saved, booksRevision, shown, isKept, wasThere } = await openStored(
      this.db,
      this.loadDemo,
      this.checkStored,
    )
    if (saved) {
      this.saved = saved
      this.history = saved.history
      this.heardOf = saved.revision
    }
    this.books.revision = booksRevision
    if (!wasThere && isKept) this.unsaved.discard()
    this.show(shown)
    if (isKept) this.follow()
    const unsaved = wasThere && saved && (await this.unsaved.take(saved.revision))
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
  readonly settled = (): boolean => this.pending.length === 0 && this.steps.isEmpty() && this.books.isStored()

  readonly subscribeSettled = this.settledListeners.add

  /** Shows a change without making it, as while painting; undefined takes it back. */
  preview(recipe: Recipe | undefined): void {
    if (!recipe) {
      if (this.previewed) this.show({ plan: this.previewed, isPreview: false })
      this.previewed = undefined
      return
    }
    this.previewed ??= this.state.plan
    this.show({ plan: produce(this.previewed, recipe), isPreview: true })
  }

  edit(label: string, recipe: Recipe): void {
    this.preview(undefined)
    this.editsMade += 1
    this.make({ kind: 'edit', label, recipe })
  }

  /** At once, but where the step still lies in the store. */
  undo(): void {
    this.step('undo')
  }

  redo(): void {
    this.step('redo')
  }

  private step(kind: 'undo' | 'redo'): void {
    this.preview(undefined)
    if (this.steps.isEmpty() && nextStep(this.history, kind)?.patches) this.make({ kind })
    else this.steps.add(kind)
  }

  private async readAndStep(kind: 'undo' | 'redo'): Promise<void> {
    const edits = this.editsMade
    const step = nextStep(this.history, kind)
    if (step && !step.patches) await this.readSteps({ back: STEPS_READ, on: STEPS_READ })
    // What was done meanwhile is not taken back in its place.
    if (this.editsMade === edits) this.make({ kind })
  }

  /** Reads what steps change that are asked for; those of before this page lie in the store. */
  private async readSteps(asked: { readonly back: number; readonly on: number }): Promise<void> {
    // Or saving has failed.
    await this.settledListeners.until(() => !this.working)
    const { saved } = this
    const history = await readSteps(this.db, saved, asked)
    if (this.saved !== saved) return
    this.saved = { ...saved, history }
    if (this.pending.length === 0) this.history = history
  }

  dismissWelcome(): void {
    this.show({ welcome: false })
    this.enqueue({ kind: 'welcome' })
  }

  /** Makes a change on what is shown, and saves it. */
  private make(change: Change): void {
    const on = this.state.plan
    const made = makeChange(on, this.history, change)
    if (!made) return
    this.lastMade = { on, of: change, made }
    this.history = made.history
    const said = made.said !== undefined && { notices: [made.said] }
    this.show({ plan: made.plan, ...said }, isDrawnLater(made))
    this.enqueue(change)
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
    const { lastMade, saved } = this
    const isMade = lastMade?.of === change && lastMade.on === saved.plan
    const made = isMade ? lastMade.made : makeChange(saved.plan, saved.history, change)
    if (made) {
      const { revision, plan: was } = this.saved
      const done = await savePlan(this.db, { base: revision, was, plan: made.plan, change: made.stored })
      if (!done) return this.takeUpOtherTab()
      this.saved = { revision: revision + 1, plan: made.plan, history: made.history }
    }
    this.pending.shift()
    if (this.pending.length > 0) return
    // The same steps as in the store, and not once more beside them.
    this.saved = { ...this.saved, history: lightened(this.saved.history) }
    this.history = this.saved.history
  }

  /** Another tab has saved: its plan becomes the ground, and what waits here is made again on top of it. */
  private async takeUpOtherTab(): Promise<void> {
    const heard = this.heardOf
    const loaded = await loadPlan(this.db, this.checkStored)
    // Said once: what cannot be read now is not read again until something newer is saved.
    if (!loaded?.ok) {
      this.heardOf = this.saved.revision
      throw new StoreError({ code: 'other-save-unreadable' })
    }
    const { plan, revision, welcome } = loaded.value
    const before = this.saved
    const waiting = this.pending.length
    const back = waiting > 0 ? Math.max(0, loaded.value.history.cursor - before.history.cursor) + waiting : 0
    const history = await readSteps(this.db, loaded.value, { back, on: waiting })
    const theirs = history.edits.filter(({ seq }) => seq > before.history.cursor && seq <= history.cursor)
    this.saved = { revision, plan, history }
    // Where the store was begun anew its revisions may be lower than what was heard of; what came meanwhile stands.
    if (this.heardOf === heard) this.heardOf = revision
    const rebased = rebase(this.saved, this.pending, theirs, before.plan)
    this.history = rebased.history
    this.pending = [...rebased.pending]
    this.previewed = undefined
    const { said } = rebased
    this.show({ plan: rebased.plan, isPreview: false, welcome, ...(said.length > 0 && { notices: said }) })
  }

  dismissNotice(): void {
    this.show({ notices: [] })
  }

  /** Says why something was not stored. */
  readonly say = (saveProblem: StorageProblem, staysOpen = false): void =>
    this.show({ saveProblem, staysOpen })

  /** The edits that are kept and done, the newest first. */
  earlier(): readonly Step[] {
    return this.history.edits.filter(({ seq }) => seq <= this.history.cursor).reverse()
  }

  /** The plan as it stood before one of them; undefined where a step on the way is damaged. */
  async planBefore({ seq }: Step): Promise<Plan | undefined> {
    await this.readSteps({ back: this.history.cursor - seq + 1, on: 0 })
    return planBefore(this.state.plan, this.history, seq)
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
        this.books.follow(booksRevision)
      },
      error: (error: unknown) => this.show({ saveProblem: storageProblem(error) }),
    })
  }

  private show(part: Partial<SessionState>, isLater = false): void {
    this.state = { ...this.state, ...part, ...stepLabels(this.history) }
    if (isLater) setTimeout(this.listeners.tell)
    else this.listeners.tell()
  }
}
