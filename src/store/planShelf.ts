import type { Plan } from '../core/machine/plan.ts'
import { accept, type Outcome } from '../core/outcome.ts'
import type { FileIssue } from '../files/reading/fileIssue.ts'
import { planToFile } from '../files/plan/planDocument.ts'
import type { NotchgaugeDatabase } from './database.ts'
import { StoreError } from './storageProblem.ts'

/** A plan that is not open, as a list shows it. */
export interface OnShelf {
  readonly id: string
  readonly name: string
  readonly machines: number
  readonly archived: boolean
}

/** More are refused: each is a whole plan in the browser's storage. */
const MOST_SHELVED = 200

/** Plans of this browser that are not open. Its methods throw where the browser does not store. */
export class PlanShelf {
  constructor(private readonly db: NotchgaugeDatabase) {}

  async list(): Promise<OnShelf[]> {
    const rows = await this.db.shelf.orderBy('id').toArray()
    return rows
      .map(({ id, name, machines, archived }) => ({ id, name, machines, archived }))
      .sort((a, b) => (a.name < b.name ? -1 : a.name > b.name ? 1 : 0))
  }

  /** Lays a plan aside under its id; what lay there under it gives way. */
  async put(plan: Plan & { readonly id: string }): Promise<void> {
    const { id, name, machines } = plan
    await this.db.transaction('rw', this.db.shelf, async () => {
      const before = await this.db.shelf.get(id)
      if (!before && (await this.db.shelf.count()) >= MOST_SHELVED) {
        throw new StoreError({ code: 'too-many-plans', most: MOST_SHELVED })
      }
      const archived = before?.archived ?? false
      await this.db.shelf.put({ id, name, machines: machines.length, archived, file: planToFile(plan) })
    })
  }

  /** The plan as it was laid aside, or why it cannot be read; undefined where it is not there. */
  async get(id: string): Promise<Outcome<Plan, FileIssue> | undefined> {
    const row = await this.db.shelf.get(id)
    const { parseStoredPlan } = await import('./checkStored.ts')
    const plan = row && parseStoredPlan(row.file)
    return plan?.ok ? accept({ ...plan.value, id }) : plan
  }

  /** What is stored, as it lies: for one that cannot be read. */
  async raw(id: string): Promise<unknown> {
    return (await this.db.shelf.get(id))?.file
  }

  async archive(id: string, archived: boolean): Promise<void> {
    await this.db.shelf.update(id, { archived })
  }

  /** Its bills go with it. */
  async delete(id: string): Promise<void> {
    await this.db.transaction('rw', this.db.shelf, this.db.monthBills, this.db.ties, async () => {
      await this.db.shelf.delete(id)
      await this.db.monthBills.where('plan').equals(id).delete()
      await this.db.ties.where('plan').equals(id).delete()
    })
  }
}
