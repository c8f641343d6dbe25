import type { SearchProgress } from '../core/search/cheapestFit.ts'
import type { SearchResults } from '../core/search/searchPlan.ts'
import type { SearchAnswer, SearchAsk } from './searchWorkerProtocol.ts'

/** Searches off the page's thread. `cancel` gives up; its promise then never answers. */
export function askSearch(
  ask: SearchAsk,
  onProgress: (progress: SearchProgress) => void,
): { readonly answer: Promise<SearchResults>; readonly cancel: () => void } {
  const worker = new Worker(new URL('./search.worker.ts', import.meta.url), { type: 'module' })
  const answer = new Promise<SearchResults>((resolve, reject) => {
    worker.onmessage = ({ data }: MessageEvent<SearchAnswer>) => {
      if (data.kind === 'progress') return onProgress(data.progress)
      worker.terminate()
      resolve(data.results)
    }
    worker.onerror = (event) => {
      worker.terminate()
      reject(new Error(event.message || 'The search failed.'))
    }
  })
  worker.postMessage(ask)
  return { answer, cancel: () => worker.terminate() }
}
