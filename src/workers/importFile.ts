import type { PriceBook } from '../core/catalogue/priceBook.ts'
import type { ImportAnswer, ImportAsk } from './importWorkerProtocol.ts'

/** Reads and checks a file off the page's thread. `cancel` gives up; its promise then never answers. */
export function importFile(
  file: File,
  books: readonly PriceBook[],
): { readonly answer: Promise<ImportAnswer>; readonly cancel: () => void } {
  const worker = new Worker(new URL('./import.worker.ts', import.meta.url), { type: 'module' })
  const answer = new Promise<ImportAnswer>((resolve, reject) => {
    worker.onmessage = ({ data }: MessageEvent<ImportAnswer>) => {
      worker.terminate()
      resolve(data)
    }
    worker.onerror = (event) => {
      worker.terminate()
      reject(new Error(event.message || 'The file could not be read.'))
    }
  })
  const ask: ImportAsk = { file, books }
  worker.postMessage(ask)
  return { answer, cancel: () => worker.terminate() }
}
