import type { MonthReading } from '../core/calendar/billingMonth.ts'
import type { YearMonth } from '../core/calendar/yearMonth.ts'
import type { PriceBook } from '../core/catalogue/priceBook.ts'
import type { Plan } from '../core/machine/plan.ts'
import type { MachineSummary } from '../core/meter/summarisePlan.ts'
import { whenFailing } from './failing.ts'
import type { PlanAnswer, PlanAsk } from './planWorkerProtocol.ts'

interface PlanQuestion {
  readonly plan: Plan
  readonly books: readonly PriceBook[]
  readonly month: YearMonth
  readonly reading: MonthReading
}

/**
 * Prices whole plans off the page's thread. One question is under way at a time; a newer one takes the place of any
 * that waits, and a stale answer is dropped.
 */
export class PlanWorkerClient {
  private readonly worker: Worker
  private sentBooks: readonly PriceBook[] | undefined
  private lastAsk = 0
  private underWay = false
  private waiting: PlanQuestion | undefined

  constructor(
    private readonly onAnswer: (summaries: readonly MachineSummary[], question: PlanQuestion) => void,
    private readonly onFailure: (message: string) => void,
  ) {
    this.worker = new Worker(new URL('./plan.worker.ts', import.meta.url), { type: 'module' })
    whenFailing(this.worker, 'The plan could not be priced.', (message) => {
      this.underWay = false
      this.onFailure(message)
      this.send()
    })
  }

  ask(question: PlanQuestion): void {
    this.waiting = question
    if (!this.underWay) this.send()
  }

  close(): void {
    this.worker.terminate()
  }

  private send(): void {
    const question = this.waiting
    if (!question) return
    this.waiting = undefined
    this.underWay = true
    if (question.books !== this.sentBooks) {
      this.post({ kind: 'books', books: question.books })
      this.sentBooks = question.books
    }
    const askId = ++this.lastAsk
    this.worker.onmessage = ({ data }: MessageEvent<PlanAnswer>) => {
      if (data.askId !== askId) return
      this.underWay = false
      if (!this.waiting) this.onAnswer(data.summaries, question)
      this.send()
    }
    const { plan, month, reading } = question
    this.post({ kind: 'price', askId, plan, month, reading })
  }

  private post(ask: PlanAsk): void {
    this.worker.postMessage(ask)
  }
}
