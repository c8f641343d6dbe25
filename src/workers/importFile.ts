import type { PriceBook } from '../core/catalogue/priceBook.ts'
import { askOnce } from './askOnce.ts'
import type { ImportAnswer, ImportAsk } from './importWorkerProtocol.ts'

/** Reads and checks a file off the page's thread. */
export function importFile(file: File, books: readonly PriceBook[]) {
  const worker = new Worker(new URL('./import.worker.ts', import.meta.url), { type: 'module' })
  return askOnce<ImportAnswer>(
    worker,
    { file, books } satisfies ImportAsk,
    'Reading the file failed. Nothing was changed.',
  )
}
