import { vi } from 'vitest'

/** The worker's own side, and what a throw in it becomes: an error event at the asker's. */
export class LocalWorker {
  onmessage: ((event: { data: unknown }) => void) | undefined
  onerror: ((event: { message: string }) => void) | undefined
  terminated = false
  readonly sent: unknown[] = []
  readonly scope = {
    onmessage: undefined as ((event: { data: unknown }) => Promise<void>) | undefined,
    postMessage: (data: unknown) => this.onmessage?.({ data }),
    reportError: (error: Error) => this.onerror?.({ message: `Uncaught ${error.name}: ${error.message}` }),
  }
  constructor() {
    vi.stubGlobal('self', this.scope)
  }
  postMessage(data: unknown): void {
    this.sent.push(data)
    void this.scope.onmessage?.({ data })
  }
  terminate(): void {
    this.terminated = true
  }
}
