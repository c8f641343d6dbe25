import { setPriority } from 'node:os'
import { parentPort } from 'node:worker_threads'
import { NOT_DONE, type Answer } from './problem.ts'
import { serviceAnswer } from './serviceAnswer.ts'
import type { ThreadAnswer, ThreadQuestion } from './ServiceThreads.ts'

try {
  // Of this thread alone on Linux: pages are answered first.
  setPriority(10)
} catch {
  // Without the right to, all are equal.
}

const encoder = new TextEncoder()
const decoder = new TextDecoder()

async function answerTo({ subject, bytes }: ThreadQuestion): Promise<Answer> {
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
