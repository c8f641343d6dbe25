import type { Asked } from './askOnce.ts'
import { whenFailing } from './failing.ts'
import type { SentQuestion, Told } from './questions.ts'

/**
 * Puts questions to a worker, one at a time: a new one gives up the one under way. The worker is begun with the first
 * question and kept for the next, so that what two of them share is sent and looked up once.
 */
export class WorkerAsker<Question extends object, Answer, Progress = never> {
  private worker: Worker | undefined
  private sent: Question | undefined
  private underWay: Question | undefined

  /** `failure` says to people what did not work when the worker stops without an answer. */
  constructor(
    private readonly begin: () => Worker,
    private readonly failure: string,
  ) {}

  ask(question: Question, onProgress: (progress: Progress) => void = () => undefined): Asked<Answer> {
    if (this.underWay) this.close()
    const worker = (this.worker ??= this.begin())
    this.underWay = question
    const isAsked = (): boolean => this.worker === worker && this.underWay === question
    const answer = new Promise<Answer>((resolve, reject) => {
      worker.onmessage = ({ data }: MessageEvent<Told<Answer, Progress>>) => {
        if (!isAsked()) return
        if (data.kind === 'progress') return onProgress(data.progress)
        this.underWay = undefined
        resolve(data.answer)
      }
      whenFailing(worker, this.failure, (message) => {
        if (this.worker === worker) this.close()
        reject(new Error(message))
      })
    })
    worker.postMessage(sinceLast(this.sent, question))
    this.sent = question
    return { answer, cancel: () => isAsked() && this.close() }
  }

  /** Ends the worker; a question under way is never answered. */
  close(): void {
    this.worker?.terminate()
    this.worker = undefined
    this.sent = undefined
    this.underWay = undefined
  }
}

function sinceLast<Question extends object>(
  last: Question | undefined,
  question: Question,
): SentQuestion<Question> {
  const fields = Object.keys(question) as (keyof Question)[]
  const same = last ? fields.filter((field) => last[field] === question[field]) : []
  const changed = fields.filter((field) => !same.includes(field))
  return {
    same,
    changed: Object.fromEntries(changed.map((field) => [field, question[field]])) as Partial<Question>,
  }
}
