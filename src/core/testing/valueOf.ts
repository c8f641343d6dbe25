import type { Outcome } from '../outcome.ts'

/** What a test counts on; throws with the reasons where there is none. */
export function valueOf<T>(outcome: Outcome<T, unknown>): T {
  if (!outcome.ok) throw new Error(JSON.stringify(outcome.issues))
  return outcome.value
}
