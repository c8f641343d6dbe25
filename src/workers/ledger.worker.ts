import { planLedger } from '../core/ledger/planLedger.ts'
import { answerQuestions } from './answerQuestions.ts'

answerQuestions(planLedger, {
  transfer: ({ ledger: { line, from, to, ticks, state, shown, byTime } }) =>
    [line, from, to, ticks, state, shown, byTime].map(({ buffer }) => buffer as ArrayBuffer),
})
