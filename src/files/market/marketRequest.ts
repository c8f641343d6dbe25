import Joi from 'joi'
import { refuse, type Outcome } from '../../core/outcome.ts'
import type { EstimateQuestion } from '../estimate/askEstimate.ts'
import { parseEstimateRequest } from '../estimate/estimateRequest.ts'
import type { FileIssue } from '../reading/fileIssue.ts'
import { validate } from '../reading/validate.ts'
import { MOST_LISTED, USUALLY_LISTED } from './marketLimits.ts'
import { marketReport, type MarketReport } from './marketReport.ts'

const request: Joi.ObjectSchema<{ readonly top?: number }> = Joi.object({
  top: Joi.number().integer().min(1).max(MOST_LISTED),
}).unknown()

/** The market for the body of a request, or everything that is wrong with it: an estimate’s question about one machine. */
export function answerMarket(value: unknown): Outcome<MarketReport, FileIssue> {
  const asked = validate(request, value)
  if (!asked.ok) return asked
  const { top = USUALLY_LISTED, ...rest } = asked.value
  const question: Outcome<EstimateQuestion, FileIssue> = parseEstimateRequest(rest)
  if (!question.ok) return question
  const { machine } = question.value
  if (machine === undefined) {
    return refuse({
      code: 'bad-value',
      pointer: '/machine',
      problem: 'No machine is named.',
      expected: 'the name of one of the plan’s machines.',
    })
  }
  return marketReport({ ...question.value, machine }, top)
}
