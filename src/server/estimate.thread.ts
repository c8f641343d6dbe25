import { setPriority } from 'node:os'
import { parentPort } from 'node:worker_threads'
import { estimateAnswer } from './estimateAnswer.ts'
import { NOT_DONE } from './problem.ts'
import type { ThreadAnswer } from './EstimateThreads.ts'

try {
  // Of this thread alone on Linux: pages are answered first.
  setPriority(10)
} catch {
  // Without the right to, all are equal.
}

const encoder = new TextEncoder()
const decoder = new TextDecoder()

parentPort!.on('message', (bytes: Uint8Array) => {
  let answer
  try {
    answer = estimateAnswer(decoder.decode(bytes))
  } catch (error) {
    console.error(error)
    answer = NOT_DONE
  }
  const body = encoder.encode(JSON.stringify(answer.body))
  parentPort!.postMessage({ status: answer.status, body } satisfies ThreadAnswer, [body.buffer])
})
