import { answerWith } from './answerWith.ts'
import { planOverview } from '../core/overview/planOverview.ts'
import type { OverviewAnswer, OverviewAsk } from './overviewWorkerProtocol.ts'

/** Often enough to see it move, seldom enough to cost nothing. */
const REPORT_EVERY_MS = 50

answerWith((data: OverviewAsk) => {
  const post = (answer: OverviewAnswer): void => self.postMessage(answer)
  let reported = 0
  for (const part of planOverview(data)) {
    const now = performance.now()
    if (part.kind === 'progress' && now - reported < REPORT_EVERY_MS) continue
    reported = now
    post(part)
  }
  post({ kind: 'done' })
})
