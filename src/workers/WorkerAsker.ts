import { applyDelta, deltaSince } from './delta.ts'
import type { Asked, SentQuestion, Told } from './questions.ts'

/** A worker that is in the middle of a long step is not waited for longer. */
const LONGEST_STEP_MS = 250

export interface WorkerAskerOptions {
  readonly begin: () => Worker
  /** Says to people what did not work when the worker stops without an answer. */
  readonly failure: string
  /**
   * Whether a new question waits for the answer to the one under way, which is then of no use to anybody. Worth it where
   * answers are quick and a new worker would have to be told everything; a question that waits gives way to a newer one.
   */
  readonly waits?: boolean
  /**
   * Whether the worker listens while it works: a new question is put to it at once, and it leaves the one under way. What
   * it has worked out stays.
   */
  readonly listens?: boolean
}

interface UnderWay<Question, Answer, Step> {
  readonly question: Question
  readonly onStep: (step: Step) => void
  readonly resolve: (answer: Answer) => void
  readonly reject: (error: Error) => void
}

/**
 * Puts questions to a worker, one at a time: a new one gives up the one under way. The worker is begun with the first
 * question and kept for the next, so that what two of them share is sent and looked up once.
 */
export class WorkerAsker<Question extends object, Answer, Step = never> {
  private worker: Worker | undefined
  private sent: Question | undefined
  /** The last answer that the worker told, whether anybody still asked or not. */
  private told: unknown
  private lastId = 0
  /** The newest question that the worker has heard. */
  private begunId = 0
  private underWay: UnderWay<Question, Answer, Step> | undefined
  private waiting: UnderWay<Question, Answer, Step> | undefined

  constructor(private readonly options: WorkerAskerOptions) {}

  /** Begins the worker before there is a question, so that the first answer does not wait for it to load. */
  warm(): void {
    this.worker ??= this.begin()
  }

  ask(question: Question, onStep: (step: Step) => void = () => undefined): Asked<Answer> {
    let own: UnderWay<Question, Answer, Step>
    const answer = new Promise<Answer>((resolve, reject) => {
      own = { question, onStep, resolve, reject }
      if (!this.underWay) this.send(own)
      else if (this.options.waits) this.waiting = own
      else if (this.options.listens) this.sendToBusy(own)
      else {
        this.close()
        this.send(own)
      }
    })
    return { answer, cancel: () => this.cancel(own) }
  }

  /** For one question alone: its worker ends with its answer. */
  askOnce(question: Question, onStep?: (step: Step) => void): Asked<Answer> {
    const { answer, cancel } = this.ask(question, onStep)
    return { answer: answer.finally(() => this.close()), cancel }
  }

  /** Ends the worker; questions under way are never answered. */
  close(): void {
    this.worker?.terminate()
    this.worker = undefined
    this.sent = undefined
    this.told = undefined
    this.underWay = undefined
    this.waiting = undefined
  }

  private cancel(asked: UnderWay<Question, Answer, Step>): void {
    if (this.waiting === asked) this.waiting = undefined
    if (this.underWay !== asked) return
    if (this.options.listens) {
      this.underWay = undefined
      this.worker?.postMessage({ id: (this.lastId += 1) } satisfies SentQuestion)
    } else if (!this.options.waits) this.close()
  }

  private sendToBusy(asked: UnderWay<Question, Answer, Step>): void {
    this.send(asked)
    const id = this.lastId
    const { worker } = this
    setTimeout(() => {
      if (this.worker !== worker || this.lastId !== id || this.begunId >= id) return
      this.close()
      this.send(asked)
    }, LONGEST_STEP_MS)
  }

  private send(asked: UnderWay<Question, Answer, Step>): void {
    this.underWay = asked
    this.warm()
    const question = deltaSince(this.sent, asked.question)
    this.sent = asked.question
    this.worker!.postMessage({ id: (this.lastId += 1), question } satisfies SentQuestion)
  }

  private begin(): Worker {
    const worker = this.options.begin()
    worker.onmessage = ({ data }: MessageEvent<Told<Step>>) => {
      if (this.worker !== worker) return
      if ('answer' in data) this.told = applyDelta(this.told, data.answer)
      if (data.kind === 'portion') return
      const { underWay } = this
      if (!underWay || data.id !== this.lastId) return
      if (data.kind === 'begun') {
        this.begunId = data.id
        return
      }
      if (data.kind === 'step') {
        // A newer question waits: nobody looks at this one any more.
        if (!this.waiting) underWay.onStep(data.step)
        return
      }
      this.underWay = undefined
      const next = this.waiting
      this.waiting = undefined
      if (next) this.send(next)
      else underWay.resolve(this.told as Answer)
    }
    const fail = (): void => {
      if (this.worker !== worker) return
      const { underWay, waiting } = this
      this.close()
      underWay?.reject(new Error(this.options.failure))
      if (waiting) this.send(waiting)
    }
    worker.onerror = ({ message }) => {
      // The cause in the program's own words, for a report.
      if (message) console.warn(message)
      fail()
    }
    worker.onmessageerror = fail
    return worker
  }
}
