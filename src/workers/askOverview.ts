import type { OverviewAnswer, OverviewAsk } from './overviewWorkerProtocol.ts'

/** Looks a plan over off the page's thread; parts come as they are known. Answers what gives up. */
export function askOverview(
  ask: OverviewAsk,
  onPart: (part: OverviewAnswer) => void,
  onFailure: (message: string) => void,
): () => void {
  const worker = new Worker(new URL('./overview.worker.ts', import.meta.url), { type: 'module' })
  worker.onmessage = ({ data }: MessageEvent<OverviewAnswer>) => {
    if (data.kind === 'done') worker.terminate()
    onPart(data)
  }
  worker.onerror = (event) => {
    worker.terminate()
    onFailure(event.message || 'The plan could not be looked over.')
  }
  worker.postMessage(ask)
  return () => worker.terminate()
}
