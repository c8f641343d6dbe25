import { MOST_REQUEST_BYTES } from '../files/estimate/requestLimits.ts'

/** What the service gives to one request, and to all of them. */
export const SERVICE_LIMITS = {
  bytes: MOST_REQUEST_BYTES,
  /** From the first byte of a request to its answer, waiting included; as its sender counts, a second more. */
  longestMs: 9_000,
  /** For working on a small body, which takes milliseconds. */
  smallBytes: 256 * 1024,
  smallMs: 3_000,
  /** Worked on at a time, each in a thread of its own. */
  running: 2,
  /** Admitted beside those; more are sent away before their bodies are read. */
  waiting: 8,
  /** Of a thread's heap. */
  memoryMiB: 512,
} as const
