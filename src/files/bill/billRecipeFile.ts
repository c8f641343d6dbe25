import type { BillRecipe } from '../../core/billMapping/billMapping.ts'
import { accept, type Outcome } from '../../core/outcome.ts'
import type { FileIssue } from '../reading/fileIssue.ts'
import { readJson } from '../reading/readJson.ts'
import { stableJson } from '../reading/stableJson.ts'
import { validate } from '../reading/validate.ts'
import { BILL_RECIPE_KIND, BILL_RECIPE_VERSION, billRecipeSchema } from './billRecipeSchema.ts'

/** Reads a recipe whole, or says everything that is wrong with it. */
export function readBillRecipe(text: string): Outcome<BillRecipe, FileIssue> {
  const json = readJson(text, BILL_RECIPE_KIND, BILL_RECIPE_VERSION)
  if (!json.ok) return json
  const file = validate(billRecipeSchema, json.value)
  if (!file.ok) return file
  const { format, ...recipe } = file.value
  return accept(recipe)
}

/** The same recipe gives the same text. */
export const writeBillRecipe = (recipe: BillRecipe): string =>
  stableJson(billRecipeSchema, { ...recipe, format: `${BILL_RECIPE_KIND}/${BILL_RECIPE_VERSION}` })
