export interface Refused {
  readonly method: string
  readonly path: string
  readonly status: number
  readonly bytes?: number
  readonly ms?: number
}

/** One line of JSON for each refusal, on the error output; nothing of what was sent. */
export function logRefusal({ method, path, status, bytes, ms }: Refused): void {
  console.error(
    JSON.stringify({ time: new Date().toISOString(), event: 'refused', method, path, status, bytes, ms }),
  )
}
