import { parsePriceBook } from '../files/priceBook/priceBookFile.ts'
import type { NotchgaugeDatabase } from './database.ts'
import { parseStoredPlan } from './planStore.ts'
import { bookSeal, PLAN_SEAL, sealOf, sealReader } from './seals.ts'

/**
 * Holds what is stored against its schema where that has not been done since it changed, and notes it where it passes.
 * What does not pass is left for the next opening to say. Answers how much was sealed.
 */
export async function sealStored(db: NotchgaugeDatabase): Promise<number> {
  const isSealed = await sealReader(db)
  const editions = await db.editions.toArray()
  const plan = await db.plan.get('current')
  const stored = [
    ...editions.map(({ provider, edition, file }) => ({
      of: bookSeal(provider, edition),
      file,
      passes: () => parsePriceBook(file).ok,
    })),
    ...(plan ? [{ of: PLAN_SEAL, file: plan.file, passes: () => parseStoredPlan(plan.file).ok }] : []),
  ]
  const known = new Set(stored.map(({ of }) => of))
  await db.seals.filter(({ of }) => !known.has(of)).delete()
  let sealed = 0
  for (const { of, file, passes } of stored) {
    if ((await isSealed(of, file)) || !passes()) continue
    const seal = await sealOf(file)
    if (seal === undefined) continue
    await db.seals.put({ of, seal })
    sealed += 1
  }
  return sealed
}
