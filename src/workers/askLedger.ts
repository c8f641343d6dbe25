import type { LedgerAnswer, LedgerAsk } from './ledgerWorkerProtocol.ts'

/** Lays out a ledger off the page's thread. `cancel` gives up; its promise then never answers. */
export function askLedger(ask: LedgerAsk): {
  readonly answer: Promise<LedgerAnswer>
  readonly cancel: () => void
} {
  const worker = new Worker(new URL('./ledger.worker.ts', import.meta.url), { type: 'module' })
  const answer = new Promise<LedgerAnswer>((resolve, reject) => {
    worker.onmessage = ({ data }: MessageEvent<LedgerAnswer>) => {
      worker.terminate()
      resolve(data)
    }
    worker.onerror = (event) => {
      worker.terminate()
      reject(new Error(event.message || 'The ledger could not be laid out.'))
    }
  })
  worker.postMessage(ask)
  return { answer, cancel: () => worker.terminate() }
}
