'use client'

import { useCallback, useMemo, useState } from 'react'
import styled from 'styled-components'
import { MainAndSide, MainColumn, SideColumn } from '../../interface/MainAndSide'
import { Button } from '../../interface/Button'
import { Settling } from '../../interface/Settling'
import { lazyPart } from '../../interface/lazyPart'
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
  const { overview, isOld, pending, failure } = useOverview()
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
    <MainAndSide data-testid="bench" aria-busy={pending}>
      <MainColumn>
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
        <Settling $isOld={isOld('month')}>
          {overview.month && <MonthParts part={overview.month} />}
          <Shares part={overview.month} selected={chosen} onSelect={setSelected} />
        </Settling>
        <Settling $isOld={isOld('credit')}>
          <Credit
            part={overview.credit}
            curve={overview.curve}
            surveyed={overview.survey !== undefined}
            onEdit={editMoney}
          />
        </Settling>
        <Settling $isOld={isOld('ahead')}>
          <Ahead part={overview.ahead} />
        </Settling>
        <Settling $isOld={isOld('limits')}>
          <Quotas part={overview.limits} />
        </Settling>
      </MainColumn>
      <SideColumn aria-label="What to do next">
        <Settling $isOld={isOld('limits')}>
          <MonthBudget part={overview.limits} onEdit={editMoney} />
        </Settling>
        <Settling $isOld={isOld('survey')}>
          <PlanNotches overview={overview} />
          <PlanWatch survey={overview.survey?.survey} />
        </Settling>
      </SideColumn>
    </MainAndSide>
  )
}

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
