import { Market } from '../core/market/market.ts'
import { marketView, solveMarket, type MarketQuestion, type SolvedMarket } from '../core/market/marketView.ts'
import { sameFields } from '../core/sameFields.ts'
import { answerQuestions } from './answerQuestions.ts'
import type { MarketAnswer, MarketAsked } from './askers.ts'

// What every seller offers is laid out once, for as long as the worker lives; and what was ranked last is kept, so that
// another window of the same field is drawn without ranking anything.
const market = new Market()
let last: { readonly of: MarketQuestion; readonly solved: SolvedMarket | undefined } | undefined

answerQuestions(({ part, columns, rows, picked, ...question }: MarketAsked): MarketAnswer => {
  if (!last || !sameFields(last.of, question)) last = { of: question, solved: solveMarket(market, question) }
  return { view: last.solved && marketView(last.solved, { part, columns, rows, picked }) }
})
