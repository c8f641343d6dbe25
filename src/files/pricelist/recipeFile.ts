import type { PriceRecipe } from '../../core/pricelist/priceRecipe.ts'
import { accept, type Outcome } from '../../core/outcome.ts'
import type { FileIssue } from '../reading/fileIssue.ts'
import { readJson } from '../reading/readJson.ts'
import { stableJson } from '../reading/stableJson.ts'
import { validate } from '../reading/validate.ts'
import { RECIPE_KIND, RECIPE_VERSION, recipeSchema } from './recipeSchema.ts'

/** Reads a recipe whole, or says everything that is wrong with it. */
export function readRecipe(text: string): Outcome<PriceRecipe, FileIssue> {
  const json = readJson(text, RECIPE_KIND, RECIPE_VERSION)
  if (!json.ok) return json
  const file = validate(recipeSchema, json.value)
  if (!file.ok) return file
  const { format, ...recipe } = file.value
  return accept(recipe)
}

/** The same recipe gives the same text. */
export const writeRecipe = (recipe: PriceRecipe): string =>
  stableJson(recipeSchema, { ...recipe, format: `${RECIPE_KIND}/${RECIPE_VERSION}` })
