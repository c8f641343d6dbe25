import { askOnce } from './askOnce.ts'
import type { LedgerAnswer, LedgerAsk } from './ledgerWorkerProtocol.ts'

/** Lays out a ledger off the page's thread. */
export function askLedger(ask: LedgerAsk) {
  const worker = new Worker(new URL('./ledger.worker.ts', import.meta.url), { type: 'module' })
  return askOnce<LedgerAnswer>(worker, ask, 'The ledger could not be laid out.')
}
