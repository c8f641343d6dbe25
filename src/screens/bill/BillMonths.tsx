'use client'

import { useMemo } from 'react'
import styled from 'styled-components'
import { toNumber } from '../../core/quantity/exact.ts'
import type { BilledMonth } from '../../files/bill/billMonths.ts'
import type { BillOfPlan } from '../../store/KeptBills.ts'
import { billMonthsAsker } from '../../workers/askers.ts'
import { useAnswer } from '../../workers/useAnswer.ts'
import { formatMoney, shownDifference, signedMoney } from '../../wording/money'
import { formatMonth } from '../../wording/time'
import { useLinks } from '../workbench/useLinks.ts'
import { useWorkbench } from '../workbench/WorkbenchContext'
import { BillTable } from './BillPage'
import { useTies } from './useBills.ts'

const MOST = 12

interface BillMonthsProps {
  readonly bills: readonly BillOfPlan[]
  /** The month that is looked at is compared: the others follow. */
  readonly isReady: boolean
}

/** The last twelve months with a bill, planned beside billed; each opens. */
export function BillMonths({ bills, isReady }: BillMonthsProps) {
  const { state, month } = useWorkbench()
  const { plan, books } = state
  const link = useLinks()
  const ties = useTies()
  const real = useMemo(
    () =>
      bills
        .filter(({ kind }) => kind === 'billed')
        .slice(0, MOST)
        .reverse(),
    [bills],
  )
  const asked = useMemo(
    () => (isReady && ties && real.length > 1 ? { plan, books, ties, bills: real } : undefined),
    [isReady, plan, books, ties, real],
  )
  const { answer, step, failure } = useAnswer(billMonthsAsker, asked)
  if (real.length < 2) return null
  const most = Math.max(
    1e-9,
    ...(answer ?? []).flatMap(({ planned, billed }) => [toNumber(planned), toNumber(billed)]),
  )
  return (
    <section aria-label="Months with a bill">
      <h2>Month by month</h2>
      {failure !== undefined && <p role="alert">{failure}</p>}
      {!answer && failure === undefined && (
        <p>
          Comparing {real.length} months, {step ?? 0} done…
        </p>
      )}
      {answer && (
        <Table>
          <thead>
            <tr>
              <th scope="col">month</th>
              <th scope="col">planned above, billed below</th>
              <th scope="col" data-figure>
                planned
              </th>
              <th scope="col" data-figure>
                billed
              </th>
              <th scope="col" data-figure>
                difference
              </th>
            </tr>
          </thead>
          <tbody>
            {answer.map((each) => (
              <tr key={each.month} aria-current={each.month === month ? 'true' : undefined}>
                <th scope="row">
                  <a {...link({ month: each.month })}>{formatMonth(each.month)}</a>
                  {each.until !== undefined && <small>until {each.until}</small>}
                </th>
                <td>
                  <Bars of={each} most={most} />
                </td>
                <td data-figure>{formatMoney(each.planned, each.currency)}</td>
                <td data-figure>{formatMoney(each.billed, each.currency)}</td>
                <td data-figure data-sign={signOf(each)}>
                  {signedMoney(shownDifference(each.billed, each.planned))}
                </td>
              </tr>
            ))}
          </tbody>
        </Table>
      )}
    </section>
  )
}

const signOf = ({ planned, billed }: BilledMonth): 'more' | 'less' | undefined => {
  const { n } = shownDifference(billed, planned)
  return n > 0n ? 'more' : n < 0n ? 'less' : undefined
}

function Bars({ of, most }: { readonly of: BilledMonth; readonly most: number }) {
  const [planned, billed] = [toNumber(of.planned), toNumber(of.billed)].map((amount) =>
    Math.max(0, (amount / most) * 100),
  ) as [number, number]
  return (
    <Drawing viewBox="0 0 100 16" preserveAspectRatio="none" aria-hidden="true">
      <rect width={planned} height="6" fill="var(--off)" />
      <rect y="8" width={Math.min(planned, billed)} height="6" fill="var(--ink)" />
      {billed > planned && (
        <rect y="8" x={planned} width={billed - planned} height="6" fill="url(#state-stopped)" />
      )}
    </Drawing>
  )
}

const Table = styled(BillTable)`
  width: 100%;

  small {
    display: block;
    color: var(--ink-2);
  }
  tr[aria-current='true'] a {
    font-weight: 640;
    text-decoration: none;
  }
  td:nth-child(2) {
    width: 46%;
  }
  td[data-sign='more'] {
    color: var(--leak);
    font-weight: 600;
  }
  td[data-sign='less'] {
    color: var(--save);
    font-weight: 600;
  }
`

const Drawing = styled.svg`
  display: block;
  width: 100%;
  height: 16px;
`
