import type { Delta } from './delta.ts'

/** What passes between whoever asks and the worker that answers. Plain data only. */

/** A question, by the last one put to the same worker: what has not changed stays there, and so do its look-ups. */
export interface SentQuestion {
  readonly id: number
  /** Absent where the question before is given up and nothing else is asked. */
  readonly question?: Delta
}

export type Told<Step> = { readonly id: number } & (
  | { readonly kind: 'begun' }
  | { readonly kind: 'step'; readonly step: Step }
  /** By the last that the worker told; portions come before their answer. */
  | { readonly kind: 'portion' | 'answer'; readonly answer: Delta }
)

/** A question on its way. */
export interface Asked<Answer> {
  /** Rejects with a sentence for people. */
  readonly answer: Promise<Answer>
  /** Gives up; the promise then never settles. */
  readonly cancel: () => void
}
