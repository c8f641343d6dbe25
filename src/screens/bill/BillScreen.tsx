'use client'

import { useMemo } from 'react'
import { formatMonth } from '../../wording/time'
import { useOpenBill } from '../workbench/openBill.ts'
import { useWorkbench } from '../workbench/WorkbenchContext'
import { BillPage, BillPlace } from './BillPage'
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
  if (!bills) return <BillPage aria-busy="true" />
  if (bill && state.plan.machines.length === 0) {
    return (
      <BillPage data-testid="from-bill">
        <BillPlace>
          <h1>The bill of {formatMonth(month)} as a plan</h1>
          <PlanFromBillPart bill={bill} />
        </BillPlace>
      </BillPage>
    )
  }
  return bill ? <ComparedBill bill={bill} bills={bills} /> : <NoBill bills={bills} />
}
