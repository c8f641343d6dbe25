import { join } from 'node:path'
import { Worker } from 'node:worker_threads'
import { ServiceThreads } from './ServiceThreads.ts'
import { SERVICE_LIMITS } from './serviceLimits.ts'

/** Made beside the pages, since their bundler does not pack threads of the server. */
const thread = (): Worker => {
  const worker = new Worker(join(process.cwd(), '.stamps', 'estimate.thread.cjs'), {
    resourceLimits: { maxOldGenerationSizeMb: SERVICE_LIMITS.memoryMiB, maxYoungGenerationSizeMb: 64 },
  })
  // A thread that waits for work keeps no server alive.
  worker.unref()
  return worker
}

export const sharedThreads = new ServiceThreads(thread, SERVICE_LIMITS)
