'use client'

import styled from 'styled-components'
import { formatMoney } from '../../wording/money'
import { formatHours } from '../../wording/time'
import { useLiveWorkbench } from '../workbench/WorkbenchContext'

/** What the week makes of the month, also while it is being painted. */
export function MonthFigures() {
  const { result } = useLiveWorkbench()
  if (!result?.ok) return null
  const { onTime, starts, total, currency } = result.estimate
  return (
    <Figures>
      {formatHours(onTime)} on, {starts} starts, {formatMoney(total, currency)}
    </Figures>
  )
}

const Figures = styled.span`
  font-weight: 400;
`
