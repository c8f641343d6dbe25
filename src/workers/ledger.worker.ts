import { answerWith } from './answerWith.ts'
import { planLedger } from '../core/ledger/planLedger.ts'
import type { LedgerAnswer, LedgerAsk } from './ledgerWorkerProtocol.ts'

answerWith((data: LedgerAsk) => {
  const answer: LedgerAnswer = planLedger(data)
  const { line, from, to, ticks, state, shown, byTime } = answer.ledger
  // Handed over, not copied.
  const transfer = [line, from, to, ticks, state, shown, byTime].map(({ buffer }) => buffer as ArrayBuffer)
  self.postMessage(answer, { transfer })
})
