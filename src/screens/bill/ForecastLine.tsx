'use client'

import styled from 'styled-components'
import { parseDecimal } from '../../core/quantity/decimal.ts'
import { add, compare, subtract } from '../../core/quantity/exact.ts'
import type { BillAnswer } from '../../files/bill/billAnswer.ts'
import { formatMoney } from '../../wording/money'
import { useWorkbench } from '../workbench/WorkbenchContext'

/** What a month that is not over will come to, and whether its budget holds. */
export function ForecastLine({ answer }: { readonly answer: BillAnswer }) {
  const { state } = useWorkbench()
  const { forecast, currencies } = answer
  const [first] = currencies
  if (!forecast || !first) return null
  const { currency, planned, plannedRest } = first
  const { budget: text } = state.plan
  const budget = text === undefined ? undefined : parseDecimal(text)
  const isOver = budget && compare(forecast.expected, budget) > 0
  return (
    <Line data-testid="forecast">
      <b>{formatMoney(forecast.expected, currency)} expected</b> for the whole month, of{' '}
      {formatMoney(add(planned, plannedRest), currency)} planned: from {formatMoney(forecast.low, currency)}{' '}
      if all goes as planned from now on to {formatMoney(forecast.high, currency)} if each week is as the
      worst so far.
      {budget &&
        (isOver ? (
          <Over>
            {' '}
            {formatMoney(subtract(forecast.expected, budget), currency)} over the budget of{' '}
            {formatMoney(budget, currency)}.
          </Over>
        ) : (
          <> The budget of {formatMoney(budget, currency)} holds.</>
        ))}
    </Line>
  )
}

const Line = styled.p`
  margin-top: 12px;
`

const Over = styled.span`
  color: var(--leak);
`
