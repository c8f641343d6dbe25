import { parseStoredBook, parseStoredPlan } from './checkStored.ts'
import type { NotchgaugeDatabase } from './database.ts'
import { storedBookFile } from './storedBook.ts'
import { bookSeal, PLAN_SEAL, sealOf, sealRows } from './seals.ts'
import { planTables, readWholePlan } from './storedPlan.ts'

interface Sealed {
  /** All that passes, by what seals it. */
  readonly passed: readonly string[]
  /** How many of those had no seal. */
  readonly fresh: number
}

/**
 * Holds what is stored against its schema where that has not been done since it changed, and notes it where it passes.
 * What does not pass is left for the next opening to say.
 */
export async function sealStored(db: NotchgaugeDatabase): Promise<Sealed> {
  const seals = new Map((await db.seals.toArray()).map(({ of, seal }) => [of, seal]))
  const editions = await db.editions.toArray()
  const plan = await db.transaction('r', planTables(db), () => readWholePlan(db))
  const stored = [
    ...editions.map(({ provider, edition, ...row }) => {
      const file = storedBookFile(row.file)
      return { of: bookSeal(provider, edition), file, passes: () => parseStoredBook(file).ok }
    }),
    ...(plan ? [{ of: PLAN_SEAL, file: plan.file, passes: () => parseStoredPlan(plan.file).ok }] : []),
  ]
  const known = new Set(stored.map(({ of }) => of))
  await db.seals.filter(({ of }) => !known.has(of)).delete()
  const passed: string[] = []
  let fresh = 0
  for (const { of, file, passes } of stored) {
    const seal = await sealOf(file)
    const isSealed = seal !== undefined && seals.get(of) === seal
    if (!isSealed && !passes()) continue
    passed.push(of)
    if (isSealed || seal === undefined) continue
    await sealRows(db, [{ of, file }])
    fresh += 1
  }
  return { passed, fresh }
}
