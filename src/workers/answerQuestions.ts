import { answerWith } from './answerWith.ts'
import type { SentQuestion, Told } from './questions.ts'

/** Often enough to see it move, seldom enough to cost nothing. */
const REPORT_EVERY_MS = 50

/**
 * Answers the questions of a {@link WorkerAsker}. An answer that takes steps reports the last of them every so often;
 * whoever no longer wants it ends the worker.
 */
export function answerQuestions<Question extends object, Answer, Progress = never>(
  answer: (question: Question) => Generator<Progress, Answer> | Promise<Answer>,
): void {
  let last = {} as Question
  const tell = (told: Told<Answer, Progress>): void => self.postMessage(told)
  answerWith(async ({ changed, same }: SentQuestion<Question>) => {
    const kept = same.map((field) => [field, last[field]] as const)
    last = { ...(Object.fromEntries(kept) as Question), ...changed }
    const steps = answer(last)
    tell({ kind: 'answer', answer: 'next' in steps ? finishReporting(steps, tell) : await steps })
  })
}

function finishReporting<Answer, Progress>(
  steps: Generator<Progress, Answer>,
  tell: (told: Told<Answer, Progress>) => void,
): Answer {
  let reported = performance.now()
  for (;;) {
    const step = steps.next()
    if (step.done) return step.value
    const now = performance.now()
    if (now - reported < REPORT_EVERY_MS) continue
    reported = now
    tell({ kind: 'progress', progress: step.value })
  }
}
