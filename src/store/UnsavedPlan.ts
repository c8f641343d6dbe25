import type { Plan } from '../core/machine/plan.ts'
import { planToFile } from '../files/plan/planDocument.ts'

const KEY = 'notchgauge-unsaved'

interface Unsaved {
  /** The revision of the store that the changes were made on, and how many they are. */
  readonly base: number
  readonly changes: number
  readonly label: string
  readonly plan: Plan
}

/**
 * What had not reached the store when the page went away: written in one go while it goes, which the store cannot do,
 * and taken up at the next opening. At most a few MiB, the browser's own limit; what is larger is not kept here.
 */
export class UnsavedPlan {
  private isKept = false

  keep({ plan, ...rest }: Unsaved): void {
    try {
      localStorage.setItem(KEY, JSON.stringify({ ...rest, file: planToFile(plan) }))
      this.isKept = true
    } catch {
      // Without room, only what the store has is kept.
    }
  }

  /** All has been saved after all. */
  forget(): void {
    if (!this.isKept) return
    this.isKept = false
    remove()
  }

  /** There is no store that it could belong to. */
  discard(): void {
    remove()
  }

  /**
   * What the store at this revision does not hold; undefined where it does, where another tab has gone on since, or
   * where nothing was kept. Asked once.
   */
  async take(revision: number): Promise<Pick<Unsaved, 'label' | 'plan'> | undefined> {
    const kept = read()
    remove()
    if (!kept || revision < kept.base || revision >= kept.base + kept.changes) return undefined
    const { parseStoredPlan } = await import('./checkStored.ts')
    const plan = parseStoredPlan(kept.file)
    return plan.ok ? { label: kept.label, plan: plan.value } : undefined
  }
}

function read(): { base: number; changes: number; label: string; file: unknown } | undefined {
  try {
    const kept = JSON.parse(localStorage.getItem(KEY) ?? 'null') as Record<string, unknown> | null
    const { base, changes, label, file } = kept ?? {}
    const isKept = typeof base === 'number' && typeof changes === 'number' && typeof label === 'string'
    return isKept ? { base, changes, label: label.slice(0, 1_000), file } : undefined
  } catch {
    return undefined
  }
}

function remove(): void {
  try {
    localStorage.removeItem(KEY)
  } catch {
    // A browser that stores nothing has nothing to forget.
  }
}
