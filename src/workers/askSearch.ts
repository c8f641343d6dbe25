import type { SearchProgress } from '../core/search/cheapestFit.ts'
import type { SearchResults } from '../core/search/searchPlan.ts'
import type { Asked } from './askOnce.ts'
import { whenFailing } from './failing.ts'
import type { SearchAnswer, SearchAsk } from './searchWorkerProtocol.ts'

/** Searches off the page's thread. */
export function askSearch(
  ask: SearchAsk,
  onProgress: (progress: SearchProgress) => void,
): Asked<SearchResults> {
  const worker = new Worker(new URL('./search.worker.ts', import.meta.url), { type: 'module' })
  const answer = new Promise<SearchResults>((resolve, reject) => {
    worker.onmessage = ({ data }: MessageEvent<SearchAnswer>) => {
      if (data.kind === 'progress') return onProgress(data.progress)
      worker.terminate()
      resolve(data.results)
    }
    whenFailing(worker, 'The search failed.', (message) => {
      worker.terminate()
      reject(new Error(message))
    })
  })
  worker.postMessage(ask)
  return { answer, cancel: () => worker.terminate() }
}
