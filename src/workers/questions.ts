/** What passes between whoever asks and the worker that answers. Plain data only. */

/** A question: what has not changed since the last one put to the same worker stays there, and so do its look-ups. */
export interface SentQuestion<Question> {
  readonly id: number
  readonly changed: Partial<Question>
  readonly same: readonly (keyof Question)[]
}

export type Told<Answer, Step> = { readonly id: number } & (
  { readonly kind: 'step'; readonly step: Step } | { readonly kind: 'answer'; readonly answer: Answer }
)

/** A question on its way. */
export interface Asked<Answer> {
  /** Rejects with a sentence for people. */
  readonly answer: Promise<Answer>
  /** Gives up; the promise then never settles. */
  readonly cancel: () => void
}
