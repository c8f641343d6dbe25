import { answerWith } from './answerWith.ts'
import type { PriceBook } from '../core/catalogue/priceBook.ts'
import { summarisePlan } from '../core/meter/summarisePlan.ts'
import type { PlanAnswer, PlanAsk } from './planWorkerProtocol.ts'

let books: readonly PriceBook[] = []

answerWith((data: PlanAsk) => {
  if (data.kind === 'books') books = data.books
  else {
    const { askId, plan, month, reading } = data
    const answer: PlanAnswer = { askId, summaries: summarisePlan({ plan, books, month, reading }) }
    self.postMessage(answer)
  }
})
