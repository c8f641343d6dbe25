import type { BillRecipe } from '../core/billMapping/billMapping.ts'
import { keptFor } from '../core/keptFor.ts'
import type { NotchgaugeDatabase } from './database.ts'
import type { Session } from './session.ts'

const MOST_RECIPES = 100

/** How bills are read that do not follow FOCUS, one recipe for each provider. */
class BillRecipes {
  constructor(private readonly db: NotchgaugeDatabase) {}

  /** What no longer passes its checks is left out; none where the browser does not store. */
  async list(): Promise<BillRecipe[]> {
    try {
      const rows = await this.db.billRecipes.toArray()
      if (rows.length === 0) return []
      const { readBillRecipe } = await import('../files/bill/billRecipeFile.ts')
      return rows.flatMap(({ text }) => {
        const read = readBillRecipe(text)
        return read.ok ? [read.value] : []
      })
    } catch {
      return []
    }
  }

  /** What was kept of the same provider gives way. */
  async keep(recipe: BillRecipe): Promise<void> {
    const { writeBillRecipe } = await import('../files/bill/billRecipeFile.ts')
    await this.db.billRecipes.put({ provider: recipe.provider, text: writeBillRecipe(recipe) })
    const tooMany = (await this.db.billRecipes.count()) - MOST_RECIPES
    if (tooMany <= 0) return
    const others = await this.db.billRecipes.where('provider').notEqual(recipe.provider).primaryKeys()
    await this.db.billRecipes.bulkDelete(others.slice(0, tooMany))
  }
}

export const billRecipesOf = keptFor((session: Session) => new BillRecipes(session.db))
