import { MOST_REQUEST_BYTES } from '../files/estimate/requestLimits.ts'

const MIB = 1024 * 1024

/** What the service gives to one request, and to all of them. */
export const SERVICE_LIMITS = {
  bytes: MOST_REQUEST_BYTES,
  /** Processor time of the thread that works on a request; a busy machine takes longer by the clock. */
  processorMs: 20_000,
  /** Bodies up to this size are answered in milliseconds: as long as somebody waits, they may take three times as much. */
  smallBytes: 256 * 1024,
  smallProcessorMs: 60_000,
  /** By the clock, for work that nobody waits for any more. */
  abandonedMs: 30_000,
  /** Worked on at a time, each in a thread of its own. */
  running: 2,
  /** Admitted beside those; more are sent away. */
  waiting: 8,
  /** Named in `Retry-After`. */
  retryAfterSeconds: 10,
  /** Of a thread's heap. */
  memoryMiB: 512,
  /** Bodies that arrive at a time, before any has a seat. */
  arriving: {
    bodies: 64,
    /** Of all bodies together, beyond the first `ownBytes` of each. */
    sharedBytes: 160 * MIB,
    ownBytes: 256 * 1024,
    /** A body may pause for this long, and then has to have come at the least rate. */
    graceMs: 10_000,
    leastBytesPerSecond: 4 * 1024,
  },
} as const
