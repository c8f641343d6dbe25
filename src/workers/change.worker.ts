import { answerWith } from './answerWith.ts'
import { planChange } from '../core/advice/planChange.ts'
import type { ChangeAnswer, ChangeAsk } from './changeWorkerProtocol.ts'

answerWith(({ after, ...inputs }: ChangeAsk) => {
  const answer: ChangeAnswer = after.map((plan) => planChange(inputs, plan))
  self.postMessage(answer)
})
