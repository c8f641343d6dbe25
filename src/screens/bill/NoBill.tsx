'use client'

import styled from 'styled-components'
import { media } from '../../interface/theme/media'
import type { BillOfPlan } from '../../store/KeptBills.ts'
import { formatMonth } from '../../wording/time'
import { useLinks } from '../workbench/useLinks.ts'
import { useWorkbench } from '../workbench/WorkbenchContext'
import { OpenBillButton } from './OpenBillButton'
import { PaleBill } from './PaleBill'
import { RehearseButton } from './RehearseButton'

/** Where a month has no bill yet: what would stand here, and what brings it. */
export function NoBill({ bills }: { readonly bills: readonly BillOfPlan[] }) {
  const { month, state } = useWorkbench()
  const isEmpty = state.plan.machines.length === 0
  const link = useLinks()
  return (
    <Main>
      <Place>
        <h1>{formatMonth(month)} has no bill yet</h1>
        <p>
          Open it as your provider exports it in the FOCUS format: CSV, also gzipped, zipped or in parts. It
          is read in this browser and goes nowhere.
        </p>
        <Line>
          <OpenBillButton label="Open a bill…" />
          {!isEmpty && <RehearseButton />}
        </Line>
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
      </Place>
    </Main>
  )
}

const Main = styled.main.attrs({ id: 'main' })`
  padding: 12px 20px 20px;
  overflow: auto;
  background: var(--sheet);
`

const Place = styled.div`
  display: grid;
  gap: 12px;
  justify-items: start;
  width: 100%;
  max-width: 680px;
  margin: 8vh auto 0;
  ${media.narrow} {
    margin-top: 16px;
  }
`

const Line = styled.div`
  display: flex;
  flex-wrap: wrap;
  gap: 8px;
`

const Sketch = styled.div`
  width: 100%;
  margin-top: 16px;

  svg {
    display: block;
    width: 100%;
    height: auto;
  }
`
