'use client'

import { useEffect, useMemo, useState } from 'react'
import type { MonthReading } from '../../core/calendar/billingMonth.ts'
import type { YearMonth } from '../../core/calendar/yearMonth.ts'
import type { PriceBook } from '../../core/catalogue/priceBook.ts'
import type { Plan } from '../../core/machine/plan.ts'
import type { MachineSummary } from '../../core/meter/summarisePlan.ts'
import { planAsker } from '../../workers/askers.ts'
import { afterFirstMonth } from '../../workers/firstMonth.ts'
import { useAnswer } from '../../workers/useAnswer.ts'
import type { PlanSummaries } from '../workbench/WorkbenchContext'

const NONE_YET: ReadonlyMap<string, MachineSummary> = new Map()

/** Every machine's month, priced in a worker; the last answer stays until a newer one comes. */
export function usePlanSummaries(
  plan: Plan,
  books: readonly PriceBook[],
  month: YearMonth,
  reading: MonthReading,
  /** The bench prices the whole plan itself, and comes first. */
  isAfterBench: boolean,
): Omit<PlanSummaries, 'currency'> {
  // Where the page opened decides: from then on no one is waited for.
  const [waits, setWaits] = useState(isAfterBench)
  useEffect(() => {
    let isGone = false
    void afterFirstMonth().then(() => isGone || setWaits(false))
    return () => {
      isGone = true
    }
  }, [])
  const { answer, isStale, failure } = useAnswer(
    planAsker,
    books.length === 0 || waits ? undefined : { plan, books, month, reading },
  )
  const byName = useMemo(
    () => (answer ? new Map(answer.map((summary) => [summary.name, summary])) : NONE_YET),
    [answer],
  )
  // Without prices there is nothing to wait for.
  const pending = books.length > 0 && isStale
  return useMemo(() => ({ byName, pending, failure }), [byName, pending, failure])
}
