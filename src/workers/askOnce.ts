import { whenFailing } from './failing.ts'

export interface Asked<A> {
  readonly answer: Promise<A>
  /** Gives up; the promise then never answers. */
  readonly cancel: () => void
}

/** Puts one question to a worker made for it. Ends in its answer, or in an error that says `failure` to people. */
export function askOnce<A>(worker: Worker, ask: unknown, failure: string): Asked<A> {
  const answer = new Promise<A>((resolve, reject) => {
    worker.onmessage = ({ data }: MessageEvent<A>) => {
      worker.terminate()
      resolve(data)
    }
    whenFailing(worker, failure, (message) => {
      worker.terminate()
      reject(new Error(message))
    })
  })
  worker.postMessage(ask)
  return { answer, cancel: () => worker.terminate() }
}
