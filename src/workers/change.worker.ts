import { planChange } from '../core/advice/planChange.ts'
import type { ChangeAnswer, ChangeAsk } from './changeWorkerProtocol.ts'

self.onmessage = ({ data: { after, ...inputs } }: MessageEvent<ChangeAsk>) => {
  const answer: ChangeAnswer = after.map((plan) => planChange(inputs, plan))
  self.postMessage(answer)
}
