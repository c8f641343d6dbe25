import { readlinkSync } from 'node:fs'
import { setPriority } from 'node:os'
import { parentPort } from 'node:worker_threads'
import type { Answer } from './problem.ts'
import type { ThreadAnswer, ThreadQuestion } from './ServiceThreads.ts'
import type { ThreadBegun } from './WorkerThread.ts'

try {
  // Of this thread alone on Linux: pages are answered first.
  setPriority(10)
} catch {
  // Without the right to, all are equal.
}

/** Where this thread's processor time can be read, on Linux. */
function ownTask(): string | undefined {
  try {
    return readlinkSync('/proc/thread-self')
  } catch {
    return undefined
  }
}

// Said before the code is loaded that answers, so that its processor time counts from the start.
parentPort!.postMessage({ task: ownTask() } satisfies ThreadBegun)
const loaded = Promise.all([import('./problem.ts'), import('./serviceAnswer.ts')])

const encoder = new TextEncoder()
const decoder = new TextDecoder()

async function answerTo({ subject, bytes }: ThreadQuestion): Promise<Answer> {
  const [{ NOT_DONE }, { serviceAnswer }] = await loaded
  try {
    return await serviceAnswer(subject, decoder.decode(bytes))
  } catch (error) {
    console.error(error)
    return NOT_DONE
  }
}

parentPort!.on('message', (question: ThreadQuestion) => {
  void answerTo(question).then(({ status, body: said }) => {
    const body = encoder.encode(JSON.stringify(said))
    parentPort!.postMessage({ status, body } satisfies ThreadAnswer, [body.buffer])
  })
})
