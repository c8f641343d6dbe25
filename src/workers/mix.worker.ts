import { Market } from '../core/market/market.ts'
import type { MixQuestion } from '../core/market/mixQuestion.ts'
import { planMix } from '../core/market/planMix.ts'
import { answerQuestions } from './answerQuestions.ts'

// What every seller offers is laid out once, for as long as the worker lives.
const market = new Market()

answerQuestions((question: MixQuestion) => planMix(market, question))
