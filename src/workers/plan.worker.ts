import type { PriceBook } from '../core/catalogue/priceBook.ts'
import { summarisePlan } from '../core/meter/summarisePlan.ts'
import type { PlanAnswer, PlanAsk } from './planWorkerProtocol.ts'

let books: readonly PriceBook[] = []

self.onmessage = ({ data }: MessageEvent<PlanAsk>) => {
  if (data.kind === 'books') books = data.books
  else {
    const answer: PlanAnswer = { askId: data.askId, summaries: summarisePlan(data.plan, books, data.month) }
    self.postMessage(answer)
  }
}
