'use client'

import { useCallback, useMemo, useState } from 'react'
import type { OverviewPart } from '../../core/wholePlan/planOverview.ts'
import { SHOWN_DECIMALS } from '../../wording/money'
import { firstMonthKnown, firstOverviewAsker } from '../../workers/firstMonth.ts'
import { useAnswer } from '../../workers/useAnswer.ts'
import { useWorkbench } from '../workbench/WorkbenchContext'

type PartOf<K extends OverviewPart['kind']> = Extract<OverviewPart, { kind: K }>

/** What is known of the plan so far; parts of the last answer stay until newer ones come. */
export interface Overview {
  readonly month?: PartOf<'month'>
  readonly limits?: PartOf<'limits'>
  readonly ahead?: PartOf<'ahead'>
  readonly credit?: PartOf<'credit'>
  readonly progress?: PartOf<'progress'>
  readonly survey?: PartOf<'survey'>
  readonly curve?: PartOf<'curve'>
}

export interface OverviewState {
  readonly overview: Overview
  /** Whether a part is of the plan before the last edit. */
  readonly isOld: (kind: OverviewPart['kind']) => boolean
  /** True until all of it is of the plan as it is now. */
  readonly pending: boolean
  readonly failure: string | undefined
}

/** What has come, and of which question each part is. */
interface Known {
  readonly overview: Overview
  readonly of: ReadonlyMap<OverviewPart['kind'], object | undefined>
}

const NOTHING: Known = { overview: {}, of: new Map() }

/** Looks the plan over in a worker, anew with each edit; an answer to an older plan is given up. */
export function useOverview(): OverviewState {
  const { state, month, address } = useWorkbench()
  const { plan, books } = state
  const { reading } = address
  const [{ overview, of }, setKnown] = useState<Known>(NOTHING)
  const asked = useMemo(
    () => (books.length > 0 ? { plan, books, month, reading, decimals: SHOWN_DECIMALS } : undefined),
    [plan, books, month, reading],
  )
  const take = useCallback(
    (part: OverviewPart) => {
      if (part.kind === 'month') firstMonthKnown()
      setKnown((known) => {
        const before = isOfAnother(known.overview, part) ? NOTHING : known
        return {
          overview: { ...before.overview, [part.kind]: part },
          of: new Map([...before.of, [part.kind, asked]]),
        }
      })
    },
    [asked],
  )
  const { answer, isStale, failure } = useAnswer(firstOverviewAsker, asked, take)
  // What did not come this time is not there any more, such as a credit that was taken away.
  const came = isStale ? undefined : answer
  const shown = useMemo(() => (came ? onlyThose(overview, came) : overview), [overview, came])
  const isOld = useCallback(
    (kind: OverviewPart['kind']) => of.has(kind) && of.get(kind) !== asked,
    [of, asked],
  )
  return { overview: shown, isOld, pending: !came, failure }
}

/** What was known of a plan that has no machine in common with this one says nothing of it. */
function isOfAnother({ month }: Overview, part: OverviewPart): boolean {
  if (part.kind !== 'month' || !month) return false
  const names = new Set(part.rows.map(({ name }) => name))
  return !month.rows.some(({ name }) => names.has(name))
}

const onlyThose = (overview: Overview, kinds: readonly OverviewPart['kind'][]): Overview =>
  Object.fromEntries(
    Object.entries(overview).filter(([kind]) => kinds.includes(kind as OverviewPart['kind'])),
  )
