import { askOnce } from './askOnce.ts'
import type { ChangeAnswer, ChangeAsk } from './changeWorkerProtocol.ts'

/** Prices forms of a plan against it off the page's thread. */
export function askChange(ask: ChangeAsk) {
  const worker = new Worker(new URL('./change.worker.ts', import.meta.url), { type: 'module' })
  return askOnce<ChangeAnswer>(worker, ask, 'What this changes could not be priced.')
}
