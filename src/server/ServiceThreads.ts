import type { ServiceSubject } from './serviceAnswer.ts'
import type { Answer } from './problem.ts'

/** As it crosses from a thread: the body is JSON in UTF-8. */
export interface ThreadAnswer {
  readonly status: Answer['status']
  readonly body: Uint8Array<ArrayBuffer>
}

/** What is asked of a thread: the body of a request. */
export interface ThreadQuestion {
  readonly subject: ServiceSubject
  readonly bytes: Uint8Array<ArrayBuffer>
}

/** As much of a worker thread as is used here. */
export interface Thread {
  postMessage(question: ThreadQuestion, transfer: readonly ArrayBuffer[]): void
  terminate(): Promise<unknown>
  on(event: 'message', listener: (answer: ThreadAnswer) => void): unknown
  on(event: 'error', listener: (error: Error & { code?: string }) => void): unknown
  removeAllListeners(event: 'message' | 'error'): unknown
}

export type ThreadResult = ThreadAnswer | 'too-slow' | 'too-much-memory' | 'failed'

interface Limits {
  readonly running: number
  readonly waiting: number
}

/**
 * Threads that work out answers, so many at a time; each question has the time that is left to it, after which its
 * thread is ended wherever it is. Threads that answered are kept for the next question.
 */
export class ServiceThreads {
  private readonly idle: Thread[] = []
  private readonly waiting: (() => void)[] = []
  private running = 0
  private admitted = 0

  constructor(
    private readonly start: () => Thread,
    private readonly limits: Limits,
  ) {}

  /** A place, to be given back by `leave`; undefined where all are taken. */
  admit(): { readonly leave: () => void } | undefined {
    if (this.admitted >= this.limits.running + this.limits.waiting) return undefined
    this.admitted += 1
    let isHere = true
    const leave = (): void => {
      if (isHere) this.admitted -= 1
      isHere = false
    }
    return { leave }
  }

  /** `mostMs` counts from when the work begins; `signal` is the end of all patience, waiting included. */
  async answer(question: ThreadQuestion, mostMs: number, signal: AbortSignal): Promise<ThreadResult> {
    if (!(await this.turn(signal))) return 'too-slow'
    const thread = this.idle.pop() ?? this.start()
    try {
      const result = await this.ask(thread, question, mostMs, signal)
      if (typeof result === 'object') this.idle.push(thread)
      else void thread.terminate()
      return result
    } finally {
      // By name: without one, the thread's own would go too, and nothing more would arrive.
      thread.removeAllListeners('message')
      thread.removeAllListeners('error')
      this.running -= 1
      this.waiting.shift()?.()
    }
  }

  private turn(signal: AbortSignal): Promise<boolean> {
    if (signal.aborted) return Promise.resolve(false)
    if (this.running < this.limits.running) {
      this.running += 1
      return Promise.resolve(true)
    }
    return new Promise((resolve) => {
      const give = (): void => {
        signal.removeEventListener('abort', giveUp)
        this.running += 1
        resolve(true)
      }
      const giveUp = (): void => {
        this.waiting.splice(this.waiting.indexOf(give), 1)
        resolve(false)
      }
      this.waiting.push(give)
      signal.addEventListener('abort', giveUp, { once: true })
    })
  }

  private ask(
    thread: Thread,
    question: ThreadQuestion,
    mostMs: number,
    signal: AbortSignal,
  ): Promise<ThreadResult> {
    return new Promise((resolve) => {
      const tooSlow = (): void => settle('too-slow')
      const timer = setTimeout(tooSlow, mostMs)
      const settle = (result: ThreadResult): void => {
        clearTimeout(timer)
        signal.removeEventListener('abort', tooSlow)
        resolve(result)
      }
      signal.addEventListener('abort', tooSlow, { once: true })
      thread.on('message', settle)
      thread.on('error', (error) => {
        const isFull = error.code === 'ERR_WORKER_OUT_OF_MEMORY'
        if (!isFull) console.error(error)
        settle(isFull ? 'too-much-memory' : 'failed')
      })
      thread.postMessage(question, [question.bytes.buffer])
    })
  }
}
