import { applyDelta, deltaSince, whole } from './delta.ts'
import type { SentQuestion, Told } from './questions.ts'

/** Often enough to see it move, seldom enough to cost nothing. */
const REPORT_EVERY_MS = 100
/** How long steps go on before a newer question is listened for. */
const LISTEN_EVERY_MS = 25

/** An outcome, a file that was read, its price book, and the places of this. */
const PORTION_DEPTH = 4

/** An answer that takes steps, at once or as what it waits for comes. */
type Steps<Step, Answer> = Generator<Step, Answer> | AsyncGenerator<Step, Answer>

interface AnswerOptions<Answer, Step> {
  /** Steps that may be left out when they come quickly; all of them where it is absent. */
  readonly mayBeSkipped?: (step: Step) => boolean
  /** What is handed over with an answer in place of being copied. */
  readonly transfer?: (answer: Answer) => Transferable[]
  /**
   * The answer, with parts of the answer before it in place of those that say the same: what is the very same is not sent
   * again, and stays the very same at the asker. Absent where answers have little in common.
   */
  readonly keepSame?: (before: Answer, now: Answer) => Answer
  /** A large answer as it grows: each is told by the one before, so that the asker is never held up by all of it. */
  readonly portions?: (answer: Answer) => Iterable<Answer>
}

/**
 * Answers the questions of a {@link WorkerAsker}. An answer that takes steps reports them as they come, and is left off
 * when a newer question comes. Whatever is thrown, at once or while something is awaited, reaches the asker as the
 * worker's error: a rejected promise alone would leave it waiting for ever.
 */
export function answerQuestions<Question extends object, Answer, Step = never>(
  answer: (question: Question) => Steps<Step, Answer> | Promise<Answer> | Answer,
  { mayBeSkipped = () => true, transfer, keepSame, portions }: AnswerOptions<Answer, Step> = {},
): void {
  let last: unknown
  let newest = 0
  let told: { readonly answer: Answer } | undefined
  const tell = (said: Told<Step>, handedOver: Transferable[] = []): void =>
    self.postMessage(said, { transfer: handedOver })

  /** By what was told before, where answers have something in common. */
  function tellBy(kind: 'portion' | 'answer', id: number, answer: Answer, depth?: number): void {
    tell({ id, kind, answer: told ? deltaSince(told.answer, answer, depth) : whole(answer) })
    told = { answer }
  }

  function tellAnswer(id: number, found: Answer): void {
    if (portions) {
      for (const portion of portions(found)) tellBy('portion', id, portion, PORTION_DEPTH)
      tellBy('answer', id, found, PORTION_DEPTH)
    } else if (keepSame) tellBy('answer', id, told ? keepSame(told.answer, found) : found)
    else tell({ id, kind: 'answer', answer: whole(found) }, transfer?.(found))
  }

  async function finish(id: number, steps: Steps<Step, Answer>): Promise<Answer | undefined> {
    let reported = performance.now()
    let listened = reported
    for (;;) {
      const next = steps.next()
      const step = next instanceof Promise ? await next : next
      if (step.done) return step.value
      const now = performance.now()
      if (now - reported >= REPORT_EVERY_MS || !mayBeSkipped(step.value)) {
        reported = now
        tell({ id, kind: 'step', step: step.value })
      }
      if (now - listened < LISTEN_EVERY_MS) continue
      await messagesRead()
      if (newest !== id) return undefined
      listened = now
    }
  }

  self.onmessage = async ({ data }: MessageEvent<SentQuestion>) => {
    const { id, question } = data
    newest = id
    if (!question) return
    last = applyDelta(last, question)
    try {
      tell({ id, kind: 'begun' })
      const given = answer(last as Question)
      const found = isGenerator(given) ? await finish(id, given) : await given
      if (newest === id) tellAnswer(id, found!)
    } catch (error) {
      self.reportError(error)
    }
  }
}

/** Lets what was sent meanwhile be heard. */
const messagesRead = (): Promise<void> => new Promise((resolve) => setTimeout(resolve))

const isGenerator = <Step, Answer>(
  given: Steps<Step, Answer> | Promise<Answer> | Answer,
): given is Steps<Step, Answer> =>
  /^\[object (Async)?Generator\]$/.test(Object.prototype.toString.call(given))
