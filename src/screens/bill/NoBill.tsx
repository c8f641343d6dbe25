'use client'

import styled from 'styled-components'
import type { BillOfPlan } from '../../store/KeptBills.ts'
import { formatMonth } from '../../wording/time'
import { useLinks } from '../workbench/useLinks.ts'
import { useWorkbench } from '../workbench/WorkbenchContext'
import { BillLine, BillPage, BillPlace } from './BillPage'
import { OpenBillButton } from './OpenBillButton'
import { PaleBill } from './PaleBill'
import { RehearseButton } from './RehearseButton'

/** Where a month has no bill yet: what would stand here, and what brings it. */
export function NoBill({ bills }: { readonly bills: readonly BillOfPlan[] }) {
  const { month, state } = useWorkbench()
  const isEmpty = state.plan.machines.length === 0
  const link = useLinks()
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
        </BillLine>
        <p>
          {isEmpty
            ? 'It becomes a plan: its machines with size, place, disks and hours as they were billed, and the prices that they had.'
            : 'A rehearsal lets the month happen on a practice provider, with stops that are missed and machines that are forgotten, and brings its bill.'}
        </p>
        {bills.length > 0 && (
          <p>
            With a bill:{' '}
            {bills.map((bill, i) => (
              <span key={bill.month}>
                {i > 0 && ', '}
                <a {...link({ month: bill.month })}>{formatMonth(bill.month)}</a>
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
