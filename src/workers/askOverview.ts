import { whenFailing } from './failing.ts'
import type { OverviewAnswer, OverviewAsk } from './overviewWorkerProtocol.ts'

const begin = (): Worker => new Worker(new URL('./overview.worker.ts', import.meta.url), { type: 'module' })

let waiting: Worker | undefined

let sawMonth: () => void
const month = new Promise<void>((resolve) => (sawMonth = resolve))
const LONGEST_WAIT_MS = 1_000

/**
 * When the first overview of the page has its month and that has been drawn, or is not soon to: two workers at once would
 * both be late.
 */
export const afterFirstMonth = (): Promise<void> =>
  Promise.race([month, new Promise<void>((resolve) => setTimeout(resolve, LONGEST_WAIT_MS))])

/** Begins a worker before there is a question, so that the first answer does not wait for it to load. */
export function warmOverview(): void {
  waiting ??= begin()
}

/** Looks a plan over off the page's thread; parts come as they are known. Answers what gives up. */
export function askOverview(
  ask: OverviewAsk,
  onPart: (part: OverviewAnswer) => void,
  onFailure: (message: string) => void,
): () => void {
  const worker = waiting ?? begin()
  waiting = undefined
  worker.onmessage = ({ data }: MessageEvent<OverviewAnswer>) => {
    if (data.kind === 'done') {
      worker.terminate()
      warmOverview()
    }
    onPart(data)
    if (data.kind === 'month') requestAnimationFrame(() => setTimeout(sawMonth))
  }
  whenFailing(worker, 'The plan could not be looked over.', (message) => {
    worker.terminate()
    onFailure(message)
  })
  worker.postMessage(ask)
  return () => worker.terminate()
}
