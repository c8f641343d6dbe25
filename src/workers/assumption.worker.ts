import { assumptionCosts } from '../core/manner/assumptionCosts.ts'
import type { PlanPricingInputs } from '../core/meter/planPricing.ts'
import { answerQuestions } from './answerQuestions.ts'

answerQuestions((inputs: PlanPricingInputs) => assumptionCosts(inputs))
