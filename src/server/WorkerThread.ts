import { readFileSync } from 'node:fs'
import { Worker, type ResourceLimits } from 'node:worker_threads'
import type { Thread, ThreadAnswer, ThreadQuestion } from './ServiceThreads.ts'

/** What a thread says of itself when it begins: where its figures are in `/proc`, if the system has any. */
export interface ThreadBegun {
  readonly task: string | undefined
}

/** Of `/proc/…/stat`: the same on every Linux, whatever its own clock does (proc(5), sysconf(3)). */
const TICKS_PER_SECOND = 100

/** A worker thread that answers one question at a time and whose processor time can be read. */
export class WorkerThread implements Thread {
  private readonly worker: Worker
  private begun: ThreadBegun | undefined
  private settle: ((answer: ThreadAnswer) => void) | undefined
  private fail: ((error: Error) => void) | undefined
  private ended: Error | undefined

  constructor(path: string, resourceLimits: ResourceLimits) {
    this.worker = new Worker(path, { resourceLimits })
    // A thread that waits for work keeps no server alive.
    this.worker.unref()
    this.worker.on('message', (message: ThreadBegun | ThreadAnswer) => {
      if ('task' in message) this.begun = message
      else this.settle?.(message)
    })
    this.worker.on('error', (error: Error) => this.end(error))
    this.worker.on('exit', (code) => this.end(new Error(`A thread of the service ended with ${code}.`)))
  }

  ask(question: ThreadQuestion): Promise<ThreadAnswer> {
    return new Promise((resolve, reject) => {
      if (this.ended) return reject(this.ended)
      this.settle = resolve
      this.fail = reject
      this.worker.postMessage(question, [question.bytes.buffer])
    })
  }

  /** Where the system does not say it, the time in which the thread was not idle, which is never less. */
  processorMs(): number {
    if (!this.begun) return 0
    const own = this.begun.task === undefined ? undefined : taskMs(this.begun.task)
    return own ?? this.worker.performance.eventLoopUtilization().active
  }

  terminate(): void {
    void this.worker.terminate()
  }

  private end(error: Error): void {
    this.ended ??= error
    this.fail?.(this.ended)
  }
}

/** User and system time of a task, fields 14 and 15 of its `stat`; the name before them may hold blanks and brackets. */
function taskMs(task: string): number | undefined {
  try {
    const stat = readFileSync(`/proc/${task}/stat`, 'utf8')
    const [user, system] = stat
      .slice(stat.lastIndexOf(')') + 2)
      .split(' ')
      .slice(11, 13)
      .map(Number)
    return ((user! + system!) * 1_000) / TICKS_PER_SECOND
  } catch {
    return undefined
  }
}
