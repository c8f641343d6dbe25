/** A number that carries its unit in its type: seconds cannot be passed where GiB are asked for. */
type Branded<Unit extends string> = number & { readonly __unit: Unit }

/** Whole seconds of true (elapsed) time. */
export type Seconds = Branded<'second'>
/** Whole seconds since 1970-01-01T00:00Z. */
export type Instant = Branded<'instant'>
/** Binary gigabytes, 2^30 bytes; may have a fraction (0.5). Never below zero. */
export type GiB = Branded<'GiB'>

export const seconds = (value: number): Seconds => value as Seconds
export const instant = (value: number): Instant => value as Instant
export const gib = (value: number): GiB => value as GiB

/** True time from `from` (counts) to `to` (does not). */
export interface Span {
  readonly from: Instant
  readonly to: Instant
}

export const lengthOf = (span: Span): Seconds => seconds(span.to - span.from)

export const SECONDS_PER_HOUR = 3_600
export const SECONDS_PER_DAY = 24 * SECONDS_PER_HOUR
