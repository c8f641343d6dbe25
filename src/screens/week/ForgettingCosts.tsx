'use client'

import { useMemo } from 'react'
import styled from 'styled-components'
import { forgetting, type Forgetting } from '../../core/advice/forgetting.ts'
import type { PricedMachine } from '../../core/meter/planPricing.ts'
import { sign } from '../../core/quantity/exact.ts'
import type { Instant } from '../../core/quantity/units.ts'
import { formatMoney } from '../../wording/money'
import { formatClock, formatDay, formatDuration, localTime } from '../../wording/time'

const NAMES: Record<Forgetting['what'], string> = {
  night: 'One night left on',
  weekend: 'One weekend left on',
  'rest-of-month': 'On until the month ends',
}

/** What it costs when nobody switches the machine off: on top of the planned month. */
export function ForgettingCosts({ priced }: { readonly priced: PricedMachine }) {
  const { resolved, month, account, estimate } = priced
  const costs = useMemo(
    () => forgetting(resolved, month, account.planned),
    [resolved, month, account.planned],
  )
  if (costs.length === 0) return null
  const when = (at: Instant): string => {
    const { day, seconds } = localTime(at, resolved.week.timeZone)
    return `${formatDay(day)} ${formatClock(seconds)}`
  }
  return (
    <Section aria-label="If someone forgets">
      <h2>If someone forgets</h2>
      <List>
        {costs.map(({ what, from, to, cost, bounded }) => (
          <li key={what}>
            <span>{NAMES[what]}</span>
            <b>
              {sign(cost) >= 0 ? '+' : ''}
              {formatMoney(cost, estimate.currency)}
            </b>
            <small>
              {when(from)} to {when(to)}, {formatDuration(to - from)}
            </small>
            {bounded && (
              <>
                <span>until auto-shutdown, {when(bounded.to)}</span>
                <b>+{formatMoney(bounded.cost, estimate.currency)}</b>
              </>
            )}
          </li>
        ))}
      </List>
    </Section>
  )
}

const Section = styled.section`
  margin-top: 10px;
  color: var(--ink-2);
`

const List = styled.ul`
  display: grid;
  grid-template-columns: repeat(auto-fit, minmax(200px, 1fr));
  gap: 4px 24px;
  margin-top: 2px;

  li {
    display: grid;
    grid-template-columns: minmax(0, 1fr) auto;
    gap: 0 8px;
    align-content: start;
    color: var(--ink);
  }
  b {
    font-weight: 600;
    white-space: nowrap;
  }
  small {
    grid-column: 1 / -1;
    font-size: 12px;
    color: var(--ink-2);
  }
`
