import { applyPatches } from 'immer'
import type { Plan } from '../core/machine/plan.ts'
import type { NotchgaugeDatabase } from './database.ts'
import type { History, Step, StepPatches } from './history.ts'

interface Ground {
  readonly plan: Plan
  readonly history: History
}

/**
 * The history with the patches of so many steps on both sides of its cursor, those that lie in the store read and held
 * against the plan, which they have to leave whole. A step that does not is marked, and none beyond it is read.
 * O(steps read).
 */
export async function readSteps(
  db: NotchgaugeDatabase,
  { plan, history }: Ground,
  { back, on }: { readonly back: number; readonly on: number },
): Promise<History> {
  const { edits, cursor } = history
  const done = edits.filter(({ seq }) => seq <= cursor && seq > cursor - back).reverse()
  const undone = edits.filter(({ seq }) => seq > cursor && seq <= cursor + on)
  const missing = [...done, ...undone].filter(({ patches }) => patches === undefined)
  if (missing.length === 0) return history
  const [rows, checks] = await Promise.all([
    db.edits.bulkGet(missing.map(({ seq }) => seq)),
    import('./checkSteps.ts'),
  ])
  const stored = new Map(missing.map(({ seq }, i) => [seq, rows[i]]))
  const read = new Map<number, Step['patches']>()
  // The way back is gone too, once the step is taken.
  const taken = (at: Plan, patches: StepPatches, side: 'forward' | 'inverse'): Plan | undefined => {
    const next = checks.stepped(at, patches[side])
    return next && checks.stepped(next, patches[side === 'forward' ? 'inverse' : 'forward']) && next
  }
  const walk = (steps: readonly Step[], side: 'forward' | 'inverse'): void => {
    let at: Plan = plan
    for (const { seq, patches = checks.stepPatches(stored.get(seq)) } of steps) {
      const next =
        isKnown(patches) && (stored.has(seq) ? taken(at, patches, side) : applyPatches(at, patches[side]))
      read.set(seq, next ? patches : 'damaged')
      if (!next) return
      at = next
    }
  }
  walk(done, 'inverse')
  walk(undone, 'forward')
  return {
    ...history,
    edits: edits.map((step) => {
      const patches = step.patches ?? read.get(step.seq)
      return patches === undefined ? step : { ...step, patches }
    }),
  }
}

const isKnown = (patches: Step['patches']): patches is StepPatches =>
  patches !== undefined && patches !== 'damaged'
