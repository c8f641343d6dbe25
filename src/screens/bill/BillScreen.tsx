'use client'

import { useMemo } from 'react'
import styled from 'styled-components'
import { EmptyPlan } from '../workbench/EmptyPlan'
import { useOpenBill } from '../workbench/openBill.ts'
import { useWorkbench } from '../workbench/WorkbenchContext'
import { ComparedBill } from './ComparedBill'
import { NoBill } from './NoBill'
import { PaleBill } from './PaleBill'
import { ReadingBill } from './ReadingBill'
import { useBills } from './useBills.ts'

/** The month as it was planned beside the month as it was billed, and why they differ, in money. */
export function BillScreen() {
  const { state, month } = useWorkbench()
  const open = useOpenBill()
  const bills = useBills()
  const bill = useMemo(() => bills?.find((each) => each.month === month), [bills, month])
  if (open) return <ReadingBill open={open} />
  if (state.plan.machines.length === 0 && !bill) {
    return (
      <Main>
        <EmptyPlan
          shows="Then a bill can be set beside it: what differs, why, and what to do about it."
          sketch={<PaleBill />}
        />
      </Main>
    )
  }
  if (!bills) return <Main aria-busy="true" />
  return bill ? <ComparedBill bill={bill} bills={bills} /> : <NoBill bills={bills} />
}

const Main = styled.main.attrs({ id: 'main' })`
  padding: 12px 20px 20px;
  overflow: auto;
  background: var(--sheet);
`
