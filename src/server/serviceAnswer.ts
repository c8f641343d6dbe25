import { billServiceAnswer } from './billServiceAnswer.ts'
import { estimateAnswer } from './estimateAnswer.ts'
import type { Answer } from './problem.ts'

/** What can be asked of the service. */
export type ServiceSubject = 'estimate' | 'bill'

export const serviceAnswer = (subject: ServiceSubject, text: string): Answer | Promise<Answer> =>
  subject === 'bill' ? billServiceAnswer(text) : estimateAnswer(text)
