'use client'

import { useMemo } from 'react'
import styled from 'styled-components'
import { formatMonth } from '../../wording/time'
import { useOpenBill } from '../workbench/openBill.ts'
import { useWorkbench } from '../workbench/WorkbenchContext'
import { ComparedBill } from './ComparedBill'
import { NoBill } from './NoBill'
import { PlanFromBillPart } from './PlanFromBillPart'
import { ReadingBill } from './ReadingBill'
import { useBills } from './useBills.ts'

/** The month as it was planned beside the month as it was billed, and why they differ, in money. */
export function BillScreen() {
  const { state, month } = useWorkbench()
  const open = useOpenBill()
  const bills = useBills()
  const bill = useMemo(() => bills?.find((each) => each.month === month), [bills, month])
  if (open) return <ReadingBill open={open} />
  if (!bills) return <Main aria-busy="true" />
  if (bill && state.plan.machines.length === 0) {
    return (
      <Main data-testid="from-bill">
        <Place>
          <h1>The bill of {formatMonth(month)} as a plan</h1>
          <PlanFromBillPart bill={bill} />
        </Place>
      </Main>
    )
  }
  return bill ? <ComparedBill bill={bill} bills={bills} /> : <NoBill bills={bills} />
}

const Main = styled.main.attrs({ id: 'main' })`
  padding: 12px 20px 20px;
  overflow: auto;
  background: var(--sheet);
`

const Place = styled.div`
  display: grid;
  gap: 12px;
  max-width: 760px;
  margin: 4vh auto 0;
`
