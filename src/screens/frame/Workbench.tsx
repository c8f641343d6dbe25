'use client'

import { memo, useEffect, useMemo, useState, useSyncExternalStore, type ReactNode } from 'react'
import styled from 'styled-components'
import { priceBookFor } from '../../core/catalogue/bookFor.ts'
import { consideredBooks } from '../../core/machine/consideredBooks.ts'
import { PlanPricing } from '../../core/meter/planPricing.ts'
import { planCurrency } from '../../core/meter/planTotals.ts'
import { summarise } from '../../core/meter/summarisePlan.ts'
import { StatePatterns } from '../../interface/StatePatterns'
import { useAfterPaint } from '../../interface/useAfterPaint'
import { media } from '../../interface/theme/media'
import type { Session } from '../../store/session.ts'
import type { SessionState } from '../../store/sessionState.ts'
import { Damaged } from './Damaged'
import { FileImport } from './FileImport'
import { Notices } from './Notices'
import { CommandPalette } from '../palette/CommandPalette'
import { PlanDialogs } from './PlanDialogs'
import { writeAddress } from '../workbench/address.ts'
import { viewOptions } from '../workbench/views.ts'
import { loadImporting, loadLikelyViews, MachineColumns } from './loadViews.ts'
import { VIEW_SCREENS } from './viewScreens.ts'
import { Opening } from './Opening'
import { pageSession } from './session'
import { TopBar } from './TopBar'
import { useAddress } from './useAddress'
import { SkipLink } from './SkipLink'
import { useFocusKeeper } from './useFocusKeeper'
import { useFollowMachine } from './useFollowMachine'
import { loadExports } from '../workbench/saveExport.ts'
import { afterFirstMonth } from '../../workers/firstMonth.ts'
import { usePlanSummaries } from './usePlanSummaries'
import { useSealing } from './useSealing'
import { useUndoKeys } from './useUndoKeys'
import {
  LiveContext,
  SummariesContext,
  useLiveWorkbench,
  WorkbenchContext,
  type WorkbenchValue,
} from '../workbench/WorkbenchContext'

const NEVER_CHANGES = () => () => undefined

/** The page: opens the stored plan in the browser and lays out its parts. */
export function Workbench() {
  const session = useSyncExternalStore(NEVER_CHANGES, pageSession, () => undefined)
  return session ? <OpenWorkbench session={session} /> : <Opening />
}

function OpenWorkbench({ session }: { readonly session: Session }) {
  const state = useSyncExternalStore(session.subscribe, session.snapshot, session.snapshot)
  if (state.status === 'loading') return <Opening />
  if (state.status === 'damaged') return <Damaged state={state} />
  return <ReadyWorkbench session={session} state={state} />
}

function ReadyWorkbench({ session, state }: { readonly session: Session; readonly state: SessionState }) {
  const value = useWorkbenchValue(session, state)
  // Only the plates are moved under a hand; fields elsewhere must show what was typed at once.
  const painted = useAfterPaint(value)
  const settled = useSettledPlan(value)
  const later = viewOptions(value.address.view).movesUnderHand ? painted : settled
  useUndoKeys(session)
  useFocusKeeper()
  useSealing(session)
  return (
    <LiveContext value={value}>
      <Parts value={later} />
    </LiveContext>
  )
}

/** While a hand paints, all but what it paints on stands as it was. */
function useSettledPlan(value: WorkbenchValue): WorkbenchValue {
  const [settled, setSettled] = useState(value)
  if (value.state.isPreview || settled === value) return settled
  setSettled(value)
  return value
}

/** Drawn anew a moment after an edit, and not with it: what the hand moves comes first. */
const Parts = memo(function Parts({ value }: { readonly value: WorkbenchValue }) {
  const { view } = value.address
  const { scope } = viewOptions(view)
  const Screen = VIEW_SCREENS[view]
  return (
    <WorkbenchContext value={value}>
      <Summaries value={value}>
        <StatePatterns />
        <FileImport>
          <PlanDialogs>
            <CommandPalette />
            <Frame>
              <SkipLink />
              <Following value={value} />
              <TopBar />
              <Notices />
              {scope === 'plan' ? <Screen /> : <MachineColumns />}
            </Frame>
          </PlanDialogs>
        </FileImport>
      </Summaries>
    </WorkbenchContext>
  )
})

/**
 * Says, for who looks at the page with a program, what is shown, and whether all of it shows the last edit; what a hand is
 * still painting is none.
 */
function Following({ value }: { readonly value: WorkbenchValue }) {
  const live = useLiveWorkbench()
  return (
    <span
      hidden
      data-testid="following"
      data-behind={live !== value && !live.state.isPreview}
      data-shows={writeAddress(value.address)}
    />
  )
}

function useWorkbenchValue(session: Session, kept: SessionState): WorkbenchValue {
  const { address, go, mend } = useAddress()
  const { plan, books: keptBooks } = kept
  const books = consideredBooks(plan, keptBooks)
  const state = useMemo(() => ({ ...kept, books }), [kept, books])
  const { machines } = plan
  const { reading } = address
  const month = address.month ?? plan.month
  const wanted = address.machine ?? plan.machines[0]?.name
  const machine = machines.find(({ name }) => name === wanted)
  useFollowMachine(machines, wanted, mend)
  const pricing = useMemo(
    () => new PlanPricing({ plan, books, month, reading }),
    [plan, books, month, reading],
  )
  const result = useMemo(() => machine && pricing.of(machine), [machine, pricing])
  const provider = machine?.provider
  const book = useMemo(
    () => (provider === undefined ? undefined : priceBookFor(provider, books, month)),
    [provider, books, month],
  )
  return useMemo(
    () => ({ session, state, keptBooks, address, go, mend, month, machine, book, result, pricing }),
    [session, state, keptBooks, address, go, mend, month, machine, book, result, pricing],
  )
}

/** Every machine's month from the worker; the open one is priced here and at once, and may be a moment newer. */
function Summaries({ value, children }: { readonly value: WorkbenchValue; readonly children: ReactNode }) {
  const { state, month, machine, result } = value
  const isBench = value.address.view === 'bench'
  const summaries = usePlanSummaries(state.plan, state.books, month, value.address.reading, isBench)
  const { pending } = summaries
  useEffect(() => {
    if (pending) return
    const shown = isBench ? afterFirstMonth() : Promise.resolve()
    void shown
      .then(loadLikelyViews)
      .then(loadExports)
      .then(loadImporting)
      .catch(() => undefined)
  }, [pending, isBench])
  const { plan } = state
  const newest = useMemo(() => {
    const byName = new Map(summaries.byName)
    if (machine && result) byName.set(machine.name, summarise(machine.name, machine.size, result))
    const priced = plan.machines.flatMap(({ name }) => {
      const summary = byName.get(name)
      return summary?.priced ? [summary] : []
    })
    return { ...summaries, byName, currency: planCurrency(plan, priced) }
  }, [summaries, plan, machine, result])
  return <SummariesContext value={newest}>{children}</SummariesContext>
}

const Frame = styled.div`
  display: grid;
  grid-template-columns: minmax(0, 1fr);
  grid-template-rows: auto auto minmax(0, 1fr);
  height: 100vh;
  ${media.narrow} {
    height: auto;
  }
`
