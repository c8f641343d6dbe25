import type { SentQuestion, Told } from './questions.ts'

/** Often enough to see it move, seldom enough to cost nothing. */
const REPORT_EVERY_MS = 50

interface AnswerOptions<Answer, Step> {
  /** Steps that may be left out when they come quickly; all of them where it is absent. */
  readonly mayBeSkipped?: (step: Step) => boolean
  /** What is handed over with an answer in place of being copied. */
  readonly transfer?: (answer: Answer) => Transferable[]
}

/**
 * Answers the questions of a {@link WorkerAsker}. An answer that takes steps reports them as they come. Whatever is
 * thrown, at once or while something is awaited, reaches the asker as the worker's error: a rejected promise alone would
 * leave it waiting for ever.
 */
export function answerQuestions<Question extends object, Answer, Step = never>(
  answer: (question: Question) => Generator<Step, Answer> | Promise<Answer> | Answer,
  options: AnswerOptions<Answer, Step> = {},
): void {
  let last = {} as Question
  const tell = (told: Told<Answer, Step>, transfer: Transferable[] = []): void =>
    self.postMessage(told, { transfer })
  self.onmessage = async ({ data }: MessageEvent<SentQuestion<Question>>) => {
    const { id, changed, same } = data
    try {
      const kept = Object.entries(last).filter(([field]) => same.includes(field as keyof Question))
      last = { ...(Object.fromEntries(kept) as Question), ...changed }
      const given = answer(last)
      const found = isGenerator(given)
        ? finishReporting(given, (step) => tell({ id, kind: 'step', step }), options.mayBeSkipped)
        : await given
      tell({ id, kind: 'answer', answer: found }, options.transfer?.(found))
    } catch (error) {
      self.reportError(error)
    }
  }
}

const isGenerator = <Step, Answer>(
  given: Generator<Step, Answer> | Promise<Answer> | Answer,
): given is Generator<Step, Answer> => Object.prototype.toString.call(given) === '[object Generator]'

function finishReporting<Step, Answer>(
  steps: Generator<Step, Answer>,
  report: (step: Step) => void,
  mayBeSkipped: (step: Step) => boolean = () => true,
): Answer {
  let reported = performance.now()
  for (;;) {
    const step = steps.next()
    if (step.done) return step.value
    const now = performance.now()
    if (now - reported < REPORT_EVERY_MS && mayBeSkipped(step.value)) continue
    reported = now
    report(step.value)
  }
}
