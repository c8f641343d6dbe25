export interface ArrivingLimits {
  readonly bodies: number
  readonly sharedBytes: number
  readonly ownBytes: number
  readonly graceMs: number
  readonly leastBytesPerSecond: number
}

export type Body = Uint8Array<ArrayBuffer> | 'too-large' | 'too-slow' | 'too-many' | 'gone'

/**
 * Reads bodies before their requests have a seat, so that who sends slowly takes nothing but room here: so many bodies
 * at a time, so many bytes of all together beyond what each may have of its own, each at a least rate. Memory is what
 * was sent, and once more as a body is put together.
 */
export class BodyReader {
  private bodies = 0
  private sharedBytes = 0

  constructor(private readonly limits: ArrivingLimits) {}

  /** The body, of at most so many bytes; `signal` is the sender's going away. */
  async read(request: Request, most: number, signal: AbortSignal): Promise<Body> {
    if (Number(request.headers.get('content-length') ?? 0) > most) return 'too-large'
    const reader = request.body?.getReader()
    if (!reader) return new Uint8Array()
    if (this.bodies >= this.limits.bodies) {
      void reader.cancel().catch(() => undefined)
      return 'too-many'
    }
    this.bodies += 1
    const parts: Uint8Array[] = []
    const ended = await this.collect(reader, parts, most, signal)
    this.bodies -= 1
    this.sharedBytes -= this.sharedOf(bytesOf(parts))
    return ended === 'whole' ? joined(parts) : ended
  }

  /** Fills `parts`; what they hold beyond a body's own bytes is counted as shared from then on. */
  private async collect(
    reader: ReadableStreamDefaultReader<Uint8Array>,
    parts: Uint8Array[],
    most: number,
    signal: AbortSignal,
  ): Promise<'whole' | Extract<Body, string>> {
    let bytes = 0
    let stopped: 'too-slow' | 'gone' | undefined
    const stop = (why: 'too-slow' | 'gone'): void => {
      stopped ??= why
      void reader.cancel().catch(() => undefined)
    }
    const goAway = (): void => stop('gone')
    signal.addEventListener('abort', goAway, { once: true })
    if (signal.aborted) goAway()
    const stopWatching = this.watchRate(
      () => bytes,
      () => stop('too-slow'),
    )
    try {
      for (;;) {
        const { done, value } = await reader.read()
        if (stopped) return stopped
        if (done) return 'whole'
        const before = this.sharedOf(bytes)
        bytes += value.byteLength
        parts.push(value)
        this.sharedBytes += this.sharedOf(bytes) - before
        const tooMuch = bytes > most ? 'too-large' : this.sharedBytes > this.limits.sharedBytes && 'too-many'
        if (!tooMuch) continue
        void reader.cancel().catch(() => undefined)
        return tooMuch
      }
    } catch {
      return stopped ?? 'gone'
    } finally {
      stopWatching()
      signal.removeEventListener('abort', goAway)
    }
  }

  private sharedOf(bytes: number): number {
    return Math.max(0, bytes - this.limits.ownBytes)
  }

  /**
   * Calls `tooSlow` when fewer bytes have come than the least rate asks for after the time of grace. What lies in the
   * socket is read first: where this process itself was held up, that is no fault of the sender.
   */
  private watchRate(bytes: () => number, tooSlow: () => void): () => void {
    const { graceMs, leastBytesPerSecond } = this.limits
    let due = graceMs
    let timer: ReturnType<typeof setTimeout>
    const lookAgain = (): void => {
      const covered = graceMs + (bytes() / leastBytesPerSecond) * 1_000
      if (covered <= due) return tooSlow()
      timer = setTimeout(look, covered - due)
      due = covered
    }
    const look = (): void => void (timer = setTimeout(lookAgain))
    timer = setTimeout(look, due)
    return () => clearTimeout(timer)
  }
}

const bytesOf = (parts: readonly Uint8Array[]): number =>
  parts.reduce((sum, { byteLength }) => sum + byteLength, 0)

function joined(parts: readonly Uint8Array[]): Uint8Array<ArrayBuffer> {
  const whole = new Uint8Array(bytesOf(parts))
  let at = 0
  for (const part of parts) {
    whole.set(part, at)
    at += part.byteLength
  }
  return whole
}
