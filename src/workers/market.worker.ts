import { DraggedField } from '../core/market/DraggedField.ts'
import { Market } from '../core/market/market.ts'
import { marketView, solveMarket, type MarketQuestion, type SolvedMarket } from '../core/market/marketView.ts'
import { sameFields } from '../core/sameFields.ts'
import { answerQuestions } from './answerQuestions.ts'
import type { MarketAnswer, MarketAsked } from './askers.ts'

// What every seller offers is laid out once, for as long as the worker lives; and what was ranked last is kept, so that
// another window of the same field is drawn without ranking anything.
const market = new Market()
let last: { readonly of: MarketQuestion; readonly solved: SolvedMarket | undefined } | undefined
/** Of the need that is dragged now, for as long as nothing but its value changes. */
let dragged: { readonly of: object; readonly field: DraggedField | undefined } | undefined

answerQuestions(({ dragged: drag, ...asked }: MarketAsked): MarketAnswer => {
  const { part, columns, rows, picked, ...question } = asked
  if (drag && last?.solved) {
    const of = { ...asked, need: drag.need }
    if (!dragged || !sameFields(dragged.of, of))
      dragged = { of, field: DraggedField.of(market, question, drag.need, { part, columns, rows }) }
    if (dragged.field) return { dragged: dragged.field.at(drag.value) }
  }
  if (!drag) dragged = undefined
  if (!last || !sameFields(last.of, question)) last = { of: question, solved: solveMarket(market, question) }
  return { view: last.solved && marketView(last.solved, { part, columns, rows, picked }) }
})
