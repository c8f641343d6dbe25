import { answerWith } from './answerWith.ts'
import { searchPlan } from '../core/search/searchPlan.ts'
import type { SearchAnswer, SearchAsk } from './searchWorkerProtocol.ts'

/** Often enough to see it move, seldom enough to cost nothing. */
const REPORT_EVERY_MS = 50

answerWith((data: SearchAsk) => {
  const post = (answer: SearchAnswer): void => self.postMessage(answer)
  const steps = searchPlan(data)
  let reported = 0
  for (;;) {
    const step = steps.next()
    if (step.done) return post({ kind: 'found', results: step.value })
    const now = performance.now()
    if (now - reported < REPORT_EVERY_MS) continue
    reported = now
    post({ kind: 'progress', progress: step.value })
  }
})
