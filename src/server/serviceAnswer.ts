import { billServiceAnswer } from './billServiceAnswer.ts'
import { estimateAnswer } from './estimateAnswer.ts'
import { marketServiceAnswer } from './marketServiceAnswer.ts'
import type { Answer } from './problem.ts'

/** What can be asked of the service. */
export type ServiceSubject = 'estimate' | 'bill' | 'market'

type AnswerTo = (text: string) => Answer | Promise<Answer>

const ANSWERS: Readonly<Record<ServiceSubject, AnswerTo>> = {
  estimate: estimateAnswer,
  bill: billServiceAnswer,
  market: marketServiceAnswer,
}

export const serviceAnswer = (subject: ServiceSubject, text: string): Answer | Promise<Answer> =>
  ANSWERS[subject](text)
