import type { BillRecipe } from '../core/billMapping/billMapping.ts'
import type { PriceBook } from '../core/catalogue/priceBook.ts'
import type { PriceRecipe } from '../core/pricelist/priceRecipe.ts'
import type { Plan } from '../core/machine/plan.ts'
import { accept, type Outcome } from '../core/outcome.ts'
import { readBillRecipe } from './bill/billRecipeFile.ts'
import { BILL_RECIPE_KIND } from './bill/billRecipeSchema.ts'
import { checkEditions } from './priceBook/checkEditions.ts'
import { checkPlan } from './plan/checkPlan.ts'
import type { FileIssue } from './reading/fileIssue.ts'
import { readPlan } from './plan/planFile.ts'
import { readPriceBook } from './priceBook/priceBookFile.ts'
import { PRICE_BOOK_KIND } from './priceBook/priceBookDocument.ts'
import { readRecipe } from './pricelist/recipeFile.ts'
import { RECIPE_KIND } from './pricelist/recipeSchema.ts'
import { limited } from './reading/validate.ts'

/** Where a file says what it is. */
const HEAD = 2_000

export type ReadFile =
  | { readonly kind: 'plan'; readonly plan: Plan }
  /** `json` where the book is large: it as it is stored. */
  | { readonly kind: 'book'; readonly book: PriceBook; readonly json?: string }
  | { readonly kind: 'recipe'; readonly recipe: PriceRecipe }
  | { readonly kind: 'bill-recipe'; readonly recipe: BillRecipe }

/** A plan, a price book or a recipe for price lists or bills, whichever the text is. A plan is also held against the books at hand. */
export function readAnyFile(text: string, books: readonly PriceBook[]): Outcome<ReadFile, FileIssue> {
  if (text.slice(0, HEAD).includes(`"${PRICE_BOOK_KIND}/`)) {
    const book = readPriceBook(text)
    if (!book.ok) return book
    const overlaps = checkEditions(book.value, books)
    return overlaps.length > 0
      ? { ok: false, issues: limited(overlaps) }
      : accept({ kind: 'book', book: book.value })
  }
  if (text.slice(0, HEAD).includes(`"${RECIPE_KIND}/`)) {
    const recipe = readRecipe(text)
    return recipe.ok ? accept({ kind: 'recipe', recipe: recipe.value }) : recipe
  }
  if (text.slice(0, HEAD).includes(`"${BILL_RECIPE_KIND}/`)) {
    const recipe = readBillRecipe(text)
    return recipe.ok ? accept({ kind: 'bill-recipe', recipe: recipe.value }) : recipe
  }
  const plan = readPlan(text)
  if (!plan.ok) return plan
  const issues = checkPlan(plan.value, books)
  return issues.length > 0
    ? { ok: false, issues: limited(issues) }
    : accept({ kind: 'plan', plan: plan.value })
}
