'use client'

import styled from 'styled-components'
import { parseDate } from '../../core/calendar/civil.ts'
import type { Exact } from '../../core/quantity/exact.ts'
import type { BillAnswer } from '../../files/bill/billAnswer.ts'
import type { ForecastLimits } from '../../files/bill/forecastLimits.ts'
import { creditEndText } from '../../wording/creditEndText.ts'
import { formatMoney } from '../../wording/money'
import { formatDay } from '../../wording/time'
import { useWorkbench } from '../workbench/WorkbenchContext'

/** What a month that is not over will come to, and whether its budget holds. */
export function ForecastLine({ answer }: { readonly answer: BillAnswer }) {
  const { state } = useWorkbench()
  const { forecast, currencies } = answer
  const zone = state.plan.credit?.timeZone
  const [first] = currencies
  if (!forecast || !first) return null
  const { currency } = first
  const { budget, credit } = forecast
  const money = (amount: Exact) => <Amount>{formatMoney(amount, currency)}</Amount>
  return (
    <Line data-testid="forecast">
      <b>{money(forecast.expected)} expected</b> for the whole month, of {money(forecast.planned)} planned:
      from {money(forecast.low)} if all goes as planned from now on to {money(forecast.high)} if each week is
      as the worst so far.
      {budget &&
        (budget.over.n > 0n ? (
          <Over>
            {' '}
            {money(budget.over)} over the budget of {money(budget.amount)}
            {budget.day && `, from ${dayText(budget.day)} on`}.
          </Over>
        ) : (
          <> The budget of {money(budget.amount)} holds.</>
        ))}
      {credit && zone && <> {creditText(credit, zone)}</>}
    </Line>
  )
}

const dayText = (date: string): string => formatDay(parseDate(date)!)

function creditText({ expected, planned }: NonNullable<ForecastLimits['credit']>, zone: string): string {
  const [text, asPlanned] = [creditEndText(expected, zone), creditEndText(planned, zone)]
  return text === asPlanned
    ? `The credit lasts ${text}, as planned.`
    : `The credit lasts ${text}; as planned it would have lasted ${asPlanned}.`
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
