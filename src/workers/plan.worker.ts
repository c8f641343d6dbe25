import { keepSameSummaries, summarisePlan } from '../core/meter/summarisePlan.ts'
import { answerQuestions } from './answerQuestions.ts'

answerQuestions(summarisePlan, { keepSame: keepSameSummaries })
