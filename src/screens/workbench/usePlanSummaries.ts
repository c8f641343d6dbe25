'use client'

import { useEffect, useMemo, useRef, useState } from 'react'
import type { MonthReading } from '../../core/calendar/billingMonth.ts'
import type { YearMonth } from '../../core/calendar/yearMonth.ts'
import type { PriceBook } from '../../core/catalogue/priceBook.ts'
import type { Plan } from '../../core/machine/plan.ts'
import type { MachineSummary } from '../../core/meter/summarisePlan.ts'
import { afterFirstMonth } from '../../workers/askOverview.ts'
import { PlanWorkerClient } from '../../workers/planWorkerClient.ts'

export interface PlanSummaries {
  readonly byName: ReadonlyMap<string, MachineSummary>
  /** True while a newer answer is under way. */
  readonly pending: boolean
  readonly failure: string | undefined
}

const NONE_YET: ReadonlyMap<string, MachineSummary> = new Map()

interface Answer {
  readonly plan: Plan
  readonly month: YearMonth
  readonly reading: MonthReading
  readonly books: readonly PriceBook[]
  readonly byName: ReadonlyMap<string, MachineSummary>
}

/** Every machine's month, priced in a worker; the last answer stays until a newer one comes. */
export function usePlanSummaries(
  plan: Plan,
  books: readonly PriceBook[],
  month: YearMonth,
  reading: MonthReading,
  /** The bench prices the whole plan itself, and comes first. */
  isAfterBench: boolean,
): PlanSummaries {
  const [answer, setAnswer] = useState<Answer>()
  const [failure, setFailure] = useState<string>()
  // Where the page opened decides: from then on no one is waited for.
  const [waits] = useState(isAfterBench)
  const client = useRef<PlanWorkerClient>(undefined)

  useEffect(() => {
    const opened = new PlanWorkerClient(
      (summaries, question) => {
        setFailure(undefined)
        setAnswer({ ...question, byName: new Map(summaries.map((summary) => [summary.name, summary])) })
      },
      (message) => setFailure(message),
    )
    client.current = opened
    return () => opened.close()
  }, [])

  useEffect(() => {
    if (books.length === 0) return undefined
    const ask = (): void => client.current?.ask({ plan, books, month, reading })
    if (!waits) {
      ask()
      return undefined
    }
    let isStale = false
    void afterFirstMonth().then(() => {
      if (!isStale) ask()
    })
    return () => {
      isStale = true
    }
  }, [plan, books, month, reading, waits])

  const isNewest =
    answer?.plan === plan && answer.month === month && answer.reading === reading && answer.books === books
  const byName = answer?.byName ?? NONE_YET
  return useMemo(() => ({ byName, pending: !isNewest, failure }), [byName, isNewest, failure])
}
