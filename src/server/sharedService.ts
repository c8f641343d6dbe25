import { readdirSync, readFileSync } from 'node:fs'
import { join } from 'node:path'
import { BodyReader } from './BodyReader.ts'
import type { Service } from './estimateService.ts'
import { ServiceThreads } from './ServiceThreads.ts'
import { SERVICE_LIMITS } from './serviceLimits.ts'
import { WorkerThread } from './WorkerThread.ts'

/** Made beside the pages, since their bundler does not pack threads of the server. */
const THREAD = join(process.cwd(), '.stamps', 'estimate.thread.cjs')
const DATA = join(process.cwd(), 'data')
const DEMO = 'larkspur-trams.json'

const thread = (): WorkerThread =>
  new WorkerThread(THREAD, {
    maxOldGenerationSizeMb: SERVICE_LIMITS.memoryMiB,
    maxYoungGenerationSizeMb: 64,
  })

const SHARED = Symbol.for('notchgauge.service')
const held = globalThis as { [SHARED]?: Service }

/** One for the whole server: pages' bundles may each hold a copy of this file. */
export const sharedService = (held[SHARED] ??= {
  threads: new ServiceThreads(thread, SERVICE_LIMITS),
  bodies: new BodyReader(SERVICE_LIMITS.arriving),
})

/** Begins the first thread and has it answer once, so that its code is there when the first request comes. */
export function warmService(): void {
  const read = (name: string): unknown => JSON.parse(readFileSync(join(DATA, name), 'utf8'))
  const books = readdirSync(DATA).filter((name) => name.endsWith('.json') && name !== DEMO)
  const question = { plan: read(DEMO), books: books.map(read) }
  const bytes = new TextEncoder().encode(JSON.stringify(question))
  const nobodyLeaves = new AbortController().signal
  void sharedService.threads.answer(
    { subject: 'estimate', bytes },
    SERVICE_LIMITS.smallProcessorMs,
    nobodyLeaves,
  )
}
