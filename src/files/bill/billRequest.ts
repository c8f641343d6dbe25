import Joi from 'joi'
import type { BillRecipe } from '../../core/billMapping/billMapping.ts'
import { accept, refuse, type Outcome } from '../../core/outcome.ts'
import { PlanPricing } from '../../core/meter/planPricing.ts'
import { finishLater } from '../../core/finish.ts'
import { parseEstimateRequest } from '../estimate/estimateRequest.ts'
import type { EstimateQuestion } from '../estimate/askEstimate.ts'
import { MOST_REQUEST_BYTES } from '../estimate/requestLimits.ts'
import type { FileIssue } from '../reading/fileIssue.ts'
import { month, timeZone } from '../reading/rules.ts'
import { validate } from '../reading/validate.ts'
import { BILL_RECIPE_KIND, billRecipeSchema, type BillRecipeFile } from './billRecipeSchema.ts'
import { billReport, type BillReport } from './billReport.ts'
import { compareBill } from './compareBill.ts'
import { comparisonReport, type ComparisonReport } from './comparisonReport.ts'
import { readBill } from './readBill.ts'
import { zonesOf } from './zonesOf.ts'

interface BillRequest {
  readonly bill: string
  readonly recipe?: BillRecipeFile
  readonly timeZone?: string
  readonly plan?: object
  readonly books?: readonly object[]
  readonly month?: string
}

const request: Joi.ObjectSchema<BillRequest> = Joi.object({
  bill: Joi.string().max(MOST_REQUEST_BYTES).required(),
  recipe: billRecipeSchema,
  timeZone,
  plan: Joi.object(),
  books: Joi.array().items(Joi.object()).min(1).max(50),
  month,
}).and('plan', 'books')

/**
 * What a bill holds, or, with a plan and its price books, why it is not what was planned: the answers of the command line.
 * The bill is the text of a table in FOCUS, or of another shape with its recipe.
 */
export async function answerBill(value: unknown): Promise<Outcome<BillReport | ComparisonReport, FileIssue>> {
  const body = validate(request, value)
  if (!body.ok) return body
  const { bill, recipe, timeZone: zone = 'Etc/UTC', ...planned } = body.value
  if (recipe && !recipe.format.startsWith(`${BILL_RECIPE_KIND}/`)) {
    return refuse({
      code: 'bad-value',
      pointer: '/recipe/format',
      problem: 'The recipe is of another format.',
      expected: `"${BILL_RECIPE_KIND}/1".`,
    })
  }
  let question: EstimateQuestion | undefined
  if (planned.plan) {
    const read = parseEstimateRequest(planned)
    if (!read.ok) return read
    question = read.value
  }
  const zones = question ? zonesOf(question.books) : { timeZone: zone }
  const recipes: readonly BillRecipe[] = recipe ? [recipe] : []
  const reading = await finishLater(
    readBill({ files: [{ name: 'bill', file: new Blob([bill]) }], recipes, ...zones }),
  )
  if (!reading.ok) {
    const [first, ...more] = reading.issues.map((issue) => ({ ...issue, pointer: '/bill' }))
    return refuse(first!, ...more)
  }
  if (!question) return accept(billReport(reading.value, zone))
  const { plan, books, month: asked } = question
  const pricing = new PlanPricing({ plan, books, month: asked, reading: 'calendar' })
  const priced = plan.machines.map((machine) => pricing.of(machine)).filter((result) => result.ok)
  const found = compareBill({ priced, reading: reading.value, month: asked })
  return accept(comparisonReport(plan.name, asked, found, reading.value))
}
