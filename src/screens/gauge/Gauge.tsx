'use client'

import styled from 'styled-components'
import { formatMoney } from '../../interface/wording/money'
import { formatHours } from '../../interface/wording/time'
import { DayByDay, DayLegend } from '../month/DayByDay'
import { useWorkbench } from '../workbench/WorkbenchContext'
import { NeedsLine } from './NeedsLine'
import { Plates } from './Plates'

/** One machine's decisions as plates on one cost axis, and its month day by day. */
export function Gauge() {
  const { machine, result } = useWorkbench()
  return (
    <>
      {machine && <NeedsLine machine={machine} result={result} />}
      {result?.ok && (
        <>
          <Plates key={result.resolved.machine.name} priced={result} />
          <Days>
            <h2>
              Day by day{' '}
              <Small>
                {formatHours(result.estimate.onTime)} on, {result.estimate.starts} starts,{' '}
                {formatMoney(result.estimate.total, result.estimate.currency)}
              </Small>
              <DayLegend />
            </h2>
            <DayByDay resolved={result.resolved} estimate={result.estimate} leastHeight={92} />
          </Days>
        </>
      )}
    </>
  )
}

const Days = styled.section`
  flex: 1;
  display: flex;
  flex-direction: column;
  gap: 4px;
  padding-top: 10px;

  h2 {
    display: flex;
  }
`

const Small = styled.span`
  font-weight: 400;
  margin-left: 6px;
`
