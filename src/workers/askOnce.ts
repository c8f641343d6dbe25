/** Puts one question to a worker made for it. `cancel` gives up; its promise then never answers. */
export function askOnce<A>(
  worker: Worker,
  ask: unknown,
): { readonly answer: Promise<A>; readonly cancel: () => void } {
  const answer = new Promise<A>((resolve, reject) => {
    worker.onmessage = ({ data }: MessageEvent<A>) => {
      worker.terminate()
      resolve(data)
    }
    worker.onerror = (event) => {
      worker.terminate()
      reject(new Error(event.message || 'The file could not be read.'))
    }
  })
  worker.postMessage(ask)
  return { answer, cancel: () => worker.terminate() }
}
