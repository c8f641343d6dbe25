/**
 * The body of a request, read no further than so many bytes and no longer than the signal allows. Memory is what was
 * sent, and once more as it is put together.
 */
export async function limitedBody(
  request: Request,
  most: number,
  signal: AbortSignal,
): Promise<Uint8Array<ArrayBuffer> | 'too-large' | 'too-slow'> {
  if (Number(request.headers.get('content-length') ?? 0) > most) return 'too-large'
  const reader = request.body?.getReader()
  if (!reader) return new Uint8Array()
  const cancel = (): void => void reader.cancel().catch(() => undefined)
  signal.addEventListener('abort', cancel, { once: true })
  const parts: Uint8Array[] = []
  let bytes = 0
  try {
    for (;;) {
      const { done, value } = await reader.read()
      if (signal.aborted) return 'too-slow'
      if (done) break
      bytes += value.byteLength
      if (bytes > most) {
        cancel()
        return 'too-large'
      }
      parts.push(value)
    }
  } catch {
    // The sender went away.
    return 'too-slow'
  } finally {
    signal.removeEventListener('abort', cancel)
  }
  const whole = new Uint8Array(bytes)
  let at = 0
  for (const part of parts) {
    whole.set(part, at)
    at += part.byteLength
  }
  return whole
}
