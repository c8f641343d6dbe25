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

/** A thread that answers one question at a time. */
export interface Thread {
  /** Rejects with the error that ended the thread. */
  ask(question: ThreadQuestion): Promise<ThreadAnswer>
  /** Processor time that the thread has taken since it began, in milliseconds. */
  processorMs(): number
  terminate(): void
}

export type ThreadResult = ThreadAnswer | 'too-much-work' | 'too-much-memory' | 'failed' | 'gone'

export interface ThreadLimits {
  readonly running: number
  readonly waiting: number
  readonly abandonedMs: number
}

/** How often a thread's processor time is looked at. */
const LOOK_MS = 200

/**
 * Threads that work out answers, so many at a time. What is limited is the processor time of the work, never the clock:
 * a machine that is slow or busy answers late and still answers. A thread that nobody waits for any more may finish and
 * is kept, or is ended after `abandonedMs`.
 */
export class ServiceThreads {
  private readonly idle: Thread[] = []
  private readonly waiting: (() => void)[] = []
  private running = 0
  private admitted = 0

  constructor(
    private readonly start: () => Thread,
    private readonly limits: ThreadLimits,
  ) {}

  get isFull(): boolean {
    return this.admitted >= this.limits.running + this.limits.waiting
  }

  /** A seat, to be given back by `leave`; undefined where all are taken. */
  admit(): { readonly leave: () => void } | undefined {
    if (this.isFull) return undefined
    this.admitted += 1
    let isHere = true
    const leave = (): void => {
      if (isHere) this.admitted -= 1
      isHere = false
    }
    return { leave }
  }

  /** Within so much processor time; `signal` is the end of all waiting for it. */
  async answer(question: ThreadQuestion, processorMs: number, signal: AbortSignal): Promise<ThreadResult> {
    if (!(await this.turn(signal))) return 'gone'
    const thread = this.idle.pop() ?? this.start()
    const work = this.work(thread, question, processorMs, signal)
    void work.then((result) => {
      if (typeof result === 'object') this.idle.push(thread)
      else thread.terminate()
      this.running -= 1
      this.waiting.shift()?.()
    })
    return Promise.race([work, abortOf(signal)])
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

  /** Until the thread has answered, failed, or may not go on; never rejects. */
  private async work(
    thread: Thread,
    question: ThreadQuestion,
    mostMs: number,
    signal: AbortSignal,
  ): Promise<ThreadResult> {
    const before = thread.processorMs()
    let abandoned: ReturnType<typeof setTimeout> | undefined
    let stopWaiting = (): void => undefined
    const look = new Promise<ThreadResult>((resolve) => {
      const looking = setInterval(() => {
        if (thread.processorMs() - before > mostMs) resolve('too-much-work')
      }, LOOK_MS)
      const nobodyWaits = (): void => {
        abandoned = setTimeout(() => resolve('gone'), this.limits.abandonedMs)
      }
      signal.addEventListener('abort', nobodyWaits, { once: true })
      stopWaiting = () => {
        clearInterval(looking)
        clearTimeout(abandoned)
        signal.removeEventListener('abort', nobodyWaits)
      }
    })
    try {
      return await Promise.race([thread.ask(question), look])
    } catch (error) {
      const isFull = (error as { code?: string }).code === 'ERR_WORKER_OUT_OF_MEMORY'
      if (!isFull) console.error(error)
      return isFull ? 'too-much-memory' : 'failed'
    } finally {
      stopWaiting()
    }
  }
}

const abortOf = (signal: AbortSignal): Promise<'gone'> =>
  new Promise((resolve) => {
    if (signal.aborted) resolve('gone')
    else signal.addEventListener('abort', () => resolve('gone'), { once: true })
  })
