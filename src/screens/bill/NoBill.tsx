'use client'

import styled from 'styled-components'
import { Button } from '../../interface/Button'
import type { BillOfPlan } from '../../store/KeptBills.ts'
import { formatMonth } from '../../wording/time'
import { useLinks } from '../workbench/useLinks.ts'
import { useWorkbench } from '../workbench/WorkbenchContext'
import { BillLine, BillPage, BillPlace } from './BillPage'
import { putBack, useForgottenBill } from './forgottenBill.ts'
import { OpenBillButton } from './OpenBillButton'
import { PaleBill } from './PaleBill'
import { RehearseButton } from './RehearseButton'

/** Where a month has no bill yet: what would stand here, and what brings it. */
export function NoBill({ bills }: { readonly bills: readonly BillOfPlan[] }) {
  const { month, session, state } = useWorkbench()
  const isEmpty = state.plan.machines.length === 0
  const link = useLinks()
  const forgotten = useForgottenBill()
  const months = [...new Set(bills.map((bill) => bill.month))]
  return (
    <BillPage>
      <BillPlace>
        <h1>{formatMonth(month)} has no bill yet</h1>
        <p>
          Open it as your provider exports it in the FOCUS format: CSV, also gzipped, zipped or in parts. It
          is read in this browser and goes nowhere.
        </p>
        <BillLine>
          <OpenBillButton label="Open a bill…" />
          {!isEmpty && <RehearseButton />}
          {forgotten?.plan === state.plan.id && forgotten?.bill.month === month && (
            <Button onPress={() => void putBack(session, forgotten)}>Put {forgotten.bill.name} back</Button>
          )}
        </BillLine>
        <p>
          {isEmpty
            ? 'It becomes a plan: its machines with size, place, disks and hours as they were billed, and the prices that they had.'
            : 'A rehearsal lets the month happen on a practice provider, with stops that are missed and machines that are forgotten, and brings its bill.'}
        </p>
        {months.length > 0 && (
          <p>
            With a bill:{' '}
            {months.map((each, i) => (
              <span key={each}>
                {i > 0 && ', '}
                <a {...link({ month: each })}>{formatMonth(each)}</a>
              </span>
            ))}
          </p>
        )}
        <Sketch aria-hidden="true">
          <PaleBill />
        </Sketch>
      </BillPlace>
    </BillPage>
  )
}

const Sketch = styled.div`
  width: 100%;
  margin-top: 16px;

  svg {
    display: block;
    width: 100%;
    height: auto;
  }
`
