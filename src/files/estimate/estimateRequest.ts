import Joi from 'joi'
import { MONTH_READINGS, type MonthReading } from '../../core/calendar/billingMonth.ts'
import type { YearMonth } from '../../core/calendar/yearMonth.ts'
import type { PriceBook } from '../../core/catalogue/priceBook.ts'
import { accept, refuse, type Outcome } from '../../core/outcome.ts'
import type { FileIssue } from '../reading/fileIssue.ts'
import { parsePlan } from '../plan/planFile.ts'
import { parsePriceBook } from '../priceBook/priceBookFile.ts'
import { month, label } from '../reading/rules.ts'
import { limited, validate } from '../reading/validate.ts'
import type { EstimateQuestion } from './askEstimate.ts'
import { MOST_REQUEST_MACHINES } from './requestLimits.ts'

const MOST_BOOKS = 50

interface EstimateRequest {
  readonly plan: object
  readonly books: readonly object[]
  readonly month?: string
  readonly reading?: MonthReading
  readonly machine?: string
}

const request: Joi.ObjectSchema<EstimateRequest> = Joi.object({
  plan: Joi.object().required(),
  books: Joi.array().items(Joi.object()).min(1).max(MOST_BOOKS).required(),
  month,
  reading: Joi.valid(...MONTH_READINGS),
  machine: label(60),
})

/** The body of a request for an estimate, or everything that is wrong with it. */
export function parseEstimateRequest(value: unknown): Outcome<EstimateQuestion, FileIssue> {
  const body = validate(request, value)
  if (!body.ok) return body
  const { reading = 'calendar', machine } = body.value
  const issues: FileIssue[] = []
  const under = (pointer: string, found: readonly FileIssue[]): void => {
    issues.push(...found.map((issue) => ({ ...issue, pointer: `${pointer}${issue.pointer}` })))
  }
  const plan = parsePlan(body.value.plan)
  if (!plan.ok) under('/plan', plan.issues)
  const books: PriceBook[] = []
  for (const [i, each] of body.value.books.entries()) {
    const book = parsePriceBook(each)
    if (book.ok) books.push(book.value)
    else under(`/books/${i}`, book.issues)
  }
  if (!plan.ok || issues.length > 0) return { ok: false, issues: limited(issues) }
  const { machines } = plan.value
  if (machines.length > MOST_REQUEST_MACHINES) {
    return refuse({
      code: 'too-large',
      pointer: '/plan/machines',
      problem: `The plan has ${machines.length} machines.`,
      expected: `at most ${MOST_REQUEST_MACHINES} in one request; the command line takes more.`,
    })
  }
  const asked = (body.value.month as YearMonth | undefined) ?? plan.value.month
  return accept({ plan: plan.value, books, month: asked, reading, ...(machine !== undefined && { machine }) })
}
