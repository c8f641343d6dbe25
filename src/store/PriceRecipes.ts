import type { PriceRecipe } from '../core/pricelist/priceRecipe.ts'
import type { NotchgaugeDatabase } from './database.ts'

/** More are not kept: the oldest go. */
const MOST_RECIPES = 100

/** How lists became books, one for each provider; a list of the same shape is then read at once. */
export class PriceRecipes {
  constructor(private readonly db: NotchgaugeDatabase) {}

  /** The newest first; what no longer passes its checks is left out. None where the browser does not store. */
  async list(): Promise<PriceRecipe[]> {
    try {
      const rows = await this.db.recipes.orderBy('keptAt').reverse().toArray()
      const { readRecipe } = await import('../files/pricelist/recipeFile.ts')
      return rows.flatMap(({ text }) => {
        const read = readRecipe(text)
        return read.ok ? [read.value] : []
      })
    } catch {
      return []
    }
  }

  /** What was kept of the same provider gives way. */
  async keep(recipe: PriceRecipe): Promise<void> {
    const { writeRecipe } = await import('../files/pricelist/recipeFile.ts')
    const newest = await this.db.recipes.orderBy('keptAt').last()
    const keptAt = (newest?.keptAt ?? 0) + 1
    await this.db.recipes.put({ provider: recipe.provider.id, keptAt, text: writeRecipe(recipe) })
    const tooMany = (await this.db.recipes.count()) - MOST_RECIPES
    if (tooMany > 0) {
      const oldest = await this.db.recipes.orderBy('keptAt').limit(tooMany).primaryKeys()
      await this.db.recipes.bulkDelete(oldest)
    }
  }
}
