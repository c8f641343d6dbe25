/** The answer to reading data: a value, or every reason why there is none. Throwing is kept for bugs. */
export type Outcome<T, I> = { readonly ok: true; readonly value: T } | Refused<I>

export interface Refused<I> {
  readonly ok: false
  readonly issues: readonly [I, ...I[]]
}

export const accept = <T>(value: T): { readonly ok: true; readonly value: T } => ({ ok: true, value })

export const refuse = <I>(first: I, ...rest: readonly I[]): Refused<I> => ({
  ok: false,
  issues: [first, ...rest],
})
