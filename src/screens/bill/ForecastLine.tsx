'use client'

import styled from 'styled-components'
import { parseDecimal } from '../../core/quantity/decimal.ts'
import { compare, subtract, type Exact } from '../../core/quantity/exact.ts'
import type { BillAnswer } from '../../files/bill/billAnswer.ts'
import { formatMoney } from '../../wording/money'
import { useWorkbench } from '../workbench/WorkbenchContext'

/** What a month that is not over will come to, and whether its budget holds. */
export function ForecastLine({ answer }: { readonly answer: BillAnswer }) {
  const { state } = useWorkbench()
  const { forecast, currencies } = answer
  const [first] = currencies
  if (!forecast || !first) return null
  const { currency } = first
  const { budget: text } = state.plan
  const budget = text === undefined ? undefined : parseDecimal(text)
  const isOver = budget && compare(forecast.expected, budget) > 0
  const money = (amount: Exact) => <Amount>{formatMoney(amount, currency)}</Amount>
  return (
    <Line data-testid="forecast">
      <b>{money(forecast.expected)} expected</b> for the whole month, of {money(forecast.planned)} planned:
      from {money(forecast.low)} if all goes as planned from now on to {money(forecast.high)} if each week is
      as the worst so far.
      {budget &&
        (isOver ? (
          <Over>
            {' '}
            {money(subtract(forecast.expected, budget))} over the budget of {money(budget)}.
          </Over>
        ) : (
          <> The budget of {money(budget)} holds.</>
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

/** No line ends between a currency and its figure. */
const Amount = styled.span`
  white-space: nowrap;
`
