'use client'

import { useMemo, useState } from 'react'
import type { BillOfPlan } from '../../store/KeptBills.ts'
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
  const own = useMemo(() => bills?.filter((each) => each.month === month) ?? [], [bills, month])
  const [newest] = own
  // What comes newly is looked at first.
  const [chosen, setChosen] = useState<{ readonly since: number; readonly kind: BillOfPlan['kind'] }>()
  const wanted = chosen?.since === newest?.keptAt ? chosen?.kind : undefined
  const bill = own.find(({ kind }) => kind === wanted) ?? newest
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
  if (!bill) return <NoBill bills={bills} />
  return (
    <ComparedBill bill={bill} bills={bills} onKind={(kind) => setChosen({ since: newest!.keptAt, kind })} />
  )
}
