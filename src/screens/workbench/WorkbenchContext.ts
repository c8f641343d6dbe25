'use client'

import { createContext, useContext } from 'react'
import type { YearMonth } from '../../core/calendar/yearMonth.ts'
import type { Machine } from '../../core/machine/plan.ts'
import type { PriceBook } from '../../core/catalogue/priceBook.ts'
import type { MachineResult, PlanPricing } from '../../core/meter/planPricing.ts'
import type { MachineSummary } from '../../core/meter/summarisePlan.ts'
import type { Session } from '../../store/session.ts'
import type { SessionState } from '../../store/sessionState.ts'
import type { Address } from './address.ts'

export interface PlanSummaries {
  readonly byName: ReadonlyMap<string, MachineSummary>
  /** What totals of the plan are shown in; undefined while nothing is priced and the plan does not say. */
  readonly currency: string | undefined
  /** True while a newer answer is under way. */
  readonly pending: boolean
  readonly failure: string | undefined
}

/** What every part of the screen reads: the plan, where the person is in it, and the open machine's month. */
export interface WorkbenchValue {
  readonly session: Session
  /** Its books are those of the providers that the plan considers. */
  readonly state: SessionState
  /** All that are kept in this browser, as they stand in their files. */
  readonly keptBooks: readonly PriceBook[]
  readonly address: Address
  readonly go: (part: Partial<Address>) => void
  /** Changes the address where it stands, without a step for the back button. */
  readonly mend: (part: Partial<Address>) => void
  readonly month: YearMonth
  readonly machine: Machine | undefined
  /** The price book that prices the open machine's month; undefined where none does. */
  readonly book: PriceBook | undefined
  /** The open machine's month, computed at once; undefined when no machine is open. */
  readonly result: MachineResult | undefined
  /** Prices any machine of the plan as it is now. */
  readonly pricing: PlanPricing
}

/** A moment behind an edit, so that what the hand moves is drawn first; for all but that. */
export const WorkbenchContext = createContext<WorkbenchValue | undefined>(undefined)

/** At once with each edit: for the plates under the hand. */
export const LiveContext = createContext<WorkbenchValue | undefined>(undefined)

export function useLiveWorkbench(): WorkbenchValue {
  const value = useContext(LiveContext)
  if (!value) throw new Error('useLiveWorkbench is used outside the workbench')
  return value
}

/** Apart from the rest, since it comes from a worker a moment later: only what shows all machines draws anew then. */
export const SummariesContext = createContext<PlanSummaries | undefined>(undefined)

export function useSummaries(): PlanSummaries {
  const value = useContext(SummariesContext)
  if (!value) throw new Error('useSummaries is used outside the workbench')
  return value
}

export function useWorkbench(): WorkbenchValue {
  const value = useContext(WorkbenchContext)
  if (!value) throw new Error('useWorkbench is used outside the workbench')
  return value
}
