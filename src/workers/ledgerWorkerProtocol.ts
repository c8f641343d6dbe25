import type { PlanLedger, PlanLedgerInputs } from '../core/ledger/planLedger.ts'

/** One question and one answer a worker: cancelling ends it. */
export type LedgerAsk = PlanLedgerInputs
export type LedgerAnswer = PlanLedger
