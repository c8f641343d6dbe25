/** What passes between whoever asks and the worker that answers. Plain data only. */

/** A question: what has not changed since the last one put to the same worker stays there, and so do its look-ups. */
export interface SentQuestion<Question> {
  readonly changed: Partial<Question>
  readonly same: readonly (keyof Question)[]
}

export type Told<Answer, Progress> =
  | { readonly kind: 'progress'; readonly progress: Progress }
  | { readonly kind: 'answer'; readonly answer: Answer }
