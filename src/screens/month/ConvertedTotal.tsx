'use client'

import type { YearMonth } from '../../core/calendar/yearMonth.ts'
import { exchanged, exchangeFor } from '../../core/machine/exchange.ts'
import type { Plan } from '../../core/machine/plan.ts'
import type { Exact } from '../../core/quantity/exact.ts'
import { formatMoney } from '../../wording/money'

interface ConvertedTotalProps {
  readonly total: Exact
  readonly currency: string
  readonly plan: Plan
  readonly month: YearMonth
}

/** What the machine is in the plan's currency, by which rate; that there is none is said, not left at zero. */
export function ConvertedTotal({ total, currency, plan, month }: ConvertedTotalProps) {
  const to = plan.currency
  if (to === undefined || to === currency) return null
  const exchange = exchangeFor(currency, to, plan.exchangeRates, month)
  const converted = exchanged(total, exchange)
  if (exchange.kind !== 'rate' || !converted) {
    return (
      <>
        <dt>in {to}</dt>
        <dd>
          no rate from {currency} by {month}
        </dd>
      </>
    )
  }
  return (
    <>
      <dt>
        at {exchange.rate.rate}, {exchange.rate.date}
      </dt>
      <dd>{formatMoney(converted, to)}</dd>
    </>
  )
}
