import { useCallback, useEffect, useRef, useState } from 'react'
import type { WorkerAsker } from './WorkerAsker.ts'

/** What is known of the answer to a question. */
export interface Answered<Question, Answer, Progress> {
  /** The newest answer; where it is stale, of an earlier question. */
  readonly answer: Answer | undefined
  /** The question that `answer` is of. */
  readonly of: Question | undefined
  /** Whether `answer` is missing or of another question than the one that is asked. */
  readonly isStale: boolean
  readonly progress: Progress | undefined
  /** A sentence for people. */
  readonly failure: string | undefined
  readonly again: () => void
}

interface Known<Question, Answer, Progress> {
  readonly answered?: { readonly question: Question; readonly answer: Answer }
  readonly progress?: { readonly question: Question; readonly progress: Progress }
  readonly failed?: { readonly question: Question; readonly message: string }
}

/**
 * Asks a question of a worker for as long as it is on screen; undefined asks nothing. A question is the same as long as
 * all its fields are, so whatever the answer depends on has to stand in it. `asker` must not change.
 */
export function useAnswer<Question extends object, Answer, Progress>(
  asker: () => WorkerAsker<Question, Answer, Progress>,
  asked: Question | undefined,
): Answered<Question, Answer, Progress> {
  const question = useSame(asked)
  const kept = useRef<WorkerAsker<Question, Answer, Progress>>(undefined)
  const [known, setKnown] = useState<Known<Question, Answer, Progress>>({})
  const [attempt, setAttempt] = useState(0)
  useEffect(() => () => kept.current?.close(), [])
  useEffect(() => {
    if (!question) return undefined
    kept.current ??= asker()
    const { answer, cancel } = kept.current.ask(question, (progress) =>
      setKnown((before) => ({ ...before, progress: { question, progress } })),
    )
    answer.then(
      (found) => setKnown({ answered: { question, answer: found } }),
      (error: unknown) =>
        setKnown((before) => ({ ...before, failed: { question, message: (error as Error).message } })),
    )
    return cancel
  }, [asker, question, attempt])
  const again = useCallback(() => {
    setKnown(({ answered }) => (answered ? { answered } : {}))
    setAttempt((count) => count + 1)
  }, [])
  const { answered, progress, failed } = known
  return {
    answer: answered?.answer,
    of: answered?.question,
    isStale: answered?.question !== question || !answered,
    progress: progress?.question === question ? progress?.progress : undefined,
    failure: failed?.question === question ? failed?.message : undefined,
    again,
  }
}

/** The earlier value for as long as all fields are the same. */
function useSame<Value extends object>(value: Value | undefined): Value | undefined {
  const [kept, setKept] = useState(value)
  const isSame =
    value === kept ||
    (value !== undefined &&
      kept !== undefined &&
      (Object.keys({ ...value, ...kept }) as (keyof Value)[]).every((field) => value[field] === kept[field]))
  if (!isSame) setKept(value)
  return isSame ? kept : value
}
