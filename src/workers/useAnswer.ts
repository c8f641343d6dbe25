'use client'

import { useCallback, useEffect, useMemo, useState } from 'react'
import type { WorkerAsker } from './WorkerAsker.ts'

/** What is known of the answer to a question. */
export interface Answered<Question, Answer, Step> {
  /** The newest answer, which may be one to an earlier question. */
  readonly answer: Answer | undefined
  /** The question that `answer` is of. */
  readonly of: Question | undefined
  /** Whether `answer` is missing, or of another question than the one that is asked. */
  readonly isStale: boolean
  /** The last step towards the answer to this very question. */
  readonly step: Step | undefined
  /** Why this very question has no answer, as a sentence for people. */
  readonly failure: string | undefined
  readonly isCancelled: boolean
  /** Gives this question up, until it is asked again. */
  readonly cancel: () => void
  readonly again: () => void
}

type Asker<Question extends object, Answer, Step> = WorkerAsker<Question, Answer, Step>

/** How far one asking has come. */
interface Course<Step> {
  readonly of: object
  readonly step?: Step
  readonly failure?: string
  readonly isCancelled?: boolean
}

/**
 * Asks a question of a worker for as long as it is on screen; undefined asks nothing. A question is the same as long as
 * all its fields are: whatever the answer depends on stands in it, and an answer to another question is told apart.
 * `begin` is asked once for the asker; `onStep` hears each step of the question that is asked.
 */
export function useAnswer<Question extends object, Answer, Step = never>(
  begin: () => Asker<Question, Answer, Step>,
  asked: Question | undefined,
  onStep?: (step: Step) => void,
): Answered<Question, Answer, Step> {
  const question = useSame(asked)
  const [asker] = useState(begin)
  const [attempt, setAttempt] = useState(0)
  const asking = useMemo(() => ({ question, attempt }), [question, attempt])
  const [answered, setAnswered] = useState<{ readonly question: Question; readonly answer: Answer }>()
  const [course, setCourse] = useState<Course<Step>>()
  useEffect(() => () => asker.close(), [asker])
  useEffect(() => {
    if (!asking.question) return undefined
    const of = asking.question
    const { answer, cancel } = asker.ask(of, (step) => {
      onStep?.(step)
      setCourse({ of: asking, step })
    })
    answer.then(
      (found) => setAnswered({ question: of, answer: found }),
      (error: unknown) => setCourse({ of: asking, failure: (error as Error).message }),
    )
    return cancel
  }, [asker, asking, onStep])
  const cancel = useCallback(() => {
    asker.close()
    setCourse({ of: asking, isCancelled: true })
  }, [asker, asking])
  const again = useCallback(() => setAttempt((count) => count + 1), [])
  const own = course?.of === asking ? course : undefined
  return {
    answer: answered?.answer,
    of: answered?.question,
    isStale: !answered || answered.question !== question,
    step: own?.step,
    failure: own?.failure,
    isCancelled: own?.isCancelled ?? false,
    cancel,
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
