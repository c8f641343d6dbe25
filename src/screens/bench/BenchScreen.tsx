'use client'

import { useCallback, useMemo, useState } from 'react'
import styled from 'styled-components'
import { Button } from '../../interface/Button'
import { lazyPart } from '../../interface/lazyPart'
import { media } from '../../interface/theme/media'
import { formatMonth } from '../../wording/time'
import { usePlanDialogs } from '../workbench/planDialogs.ts'
import { useWorkbench } from '../workbench/WorkbenchContext'
import { Ahead } from './Ahead'
import { Credit } from './Credit'
import { MonthBudget } from './MonthBudget'
import { MonthParts } from './MonthParts'
import { PlanNotches } from './PlanNotches'
import { PlanWatch } from './PlanWatch'
import { Quotas } from './Quotas'
import { Shares } from './Shares'
import { useOverview } from './useOverview'

const EmptyBench = lazyPart(() => import('./EmptyBench'), 'EmptyBench')
const SelectedMachines = lazyPart(() => import('./SelectedMachines'), 'SelectedMachines')

/** All machines of the plan: where the month goes, what is left to save, and how long the money lasts. */
export function BenchScreen() {
  const { state, month } = useWorkbench()
  const { overview, pending, failure } = useOverview()
  const [selected, setSelected] = useState<ReadonlySet<string>>(new Set())
  const { open } = usePlanDialogs()
  const { machines } = state.plan
  const chosen = useMemo(() => {
    const names = new Set(machines.map(({ name }) => name))
    return new Set([...selected].filter((name) => names.has(name)))
  }, [machines, selected])
  const editMoney = useCallback(() => open('budget'), [open])
  if (machines.length === 0) {
    return (
      <EmptyMain>
        <EmptyBench />
      </EmptyMain>
    )
  }
  return (
    <Columns data-testid="bench" aria-busy={pending}>
      <Main>
        <Head>
          <h1>Where {formatMonth(month)} goes</h1>
          <Button onPress={() => open('add')}>Add a machine…</Button>
        </Head>
        {failure && (
          <p role="alert">
            <b>The plan could not be looked over.</b> {failure} Change anything, or reload the page, to try
            again.
          </p>
        )}
        {chosen.size > 0 && <SelectedMachines selected={chosen} onSelect={setSelected} />}
        {overview.month && <MonthParts part={overview.month} />}
        <Shares part={overview.month} selected={chosen} onSelect={setSelected} />
        <Credit
          part={overview.credit}
          curve={overview.curve}
          surveyed={overview.survey !== undefined}
          onEdit={editMoney}
        />
        <Ahead part={overview.ahead} />
        <Quotas part={overview.limits} />
      </Main>
      <Side aria-label="What to do next">
        <MonthBudget part={overview.limits} onEdit={editMoney} />
        <PlanNotches overview={overview} />
        <PlanWatch survey={overview.survey?.survey} />
      </Side>
    </Columns>
  )
}

const Columns = styled.div`
  display: grid;
  grid-template-columns: minmax(0, 1fr) 330px;
  min-height: 0;
  ${media.compact} {
    grid-template-columns: minmax(0, 1fr) 264px;
  }
  ${media.narrow} {
    grid-template-columns: minmax(0, 1fr);
  }
`

const Main = styled.main.attrs({ id: 'main' })`
  min-width: 0;
  overflow: auto;
  padding: 12px 20px 20px;
  background: var(--sheet);
  ${media.compact} {
    padding: 12px 14px 16px;
  }
`

const Side = styled.aside`
  min-width: 0;
  overflow: auto;
  padding: 12px 16px 20px;
  border-left: 1px solid var(--rule);
  ${media.narrow} {
    border-left: 0;
    border-top: 1px solid var(--rule);
  }
`

const EmptyMain = styled.main.attrs({ id: 'main' })`
  padding: 12px 20px 20px;
  overflow: auto;
  background: var(--sheet);
`

const Head = styled.div`
  display: flex;
  justify-content: space-between;
  align-items: start;
  gap: 12px;
`
