'use client'

import styled from 'styled-components'
import type { MarketView } from '../../core/market/marketView.ts'
import { monthsValid } from '../../core/catalogue/monthsValid.ts'
import type { Instant } from '../../core/quantity/units.ts'
import { formatNumber } from '../../wording/number'

/** How fresh the price books are that the offers come from, what is assumed in them, and how much of the list rests on it. */
interface RestsOnProps {
  readonly view: Pick<MarketView, 'best' | 'listed'>
  /** When the month begins. */
  readonly begins: Instant
}

export function RestsOn({ view, begins }: RestsOnProps) {
  const { best, listed } = view
  return (
    <section aria-label="Prices that this rests on">
      <h2>Prices that this rests on</h2>
      <List>
        {best.provider.map(({ provider, edition, validFrom, assumed }) => {
          const count = listed.filter((row) => row.provider === provider).length
          return (
            <li key={provider}>
              <b>{provider}</b>, edition {edition}, valid since {validFrom} (
              {ageText(monthsValid(validFrom, begins))});{' '}
              {assumed > 0 && <Assumed>{formatNumber(assumed)} answers assumed; </Assumed>}
              {formatNumber(count)} of the {formatNumber(listed.length)} cheapest
            </li>
          )
        })}
      </List>
    </section>
  )
}

const ageText = (months: number): string =>
  months === 0 ? 'new this month' : months === 1 ? '1 month old' : `${formatNumber(months)} months old`

const List = styled.ul`
  margin-top: 4px;
  font-size: 12px;
  color: var(--ink-2);

  li {
    padding: 3px 0;
    border-top: 1px solid var(--rule);
  }
`

const Assumed = styled.b`
  color: var(--leak);
`
