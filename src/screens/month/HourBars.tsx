'use client'

import styled from 'styled-components'
import type { HourInState } from '../../core/meter/hourByState.ts'
import { toNumber } from '../../core/quantity/exact.ts'
import { STATE_FILL } from '../../interface/StatePatterns'
import { formatAmount, currencySymbol, formatMoney, HOURLY_PLACES } from '../../interface/wording/money'
import { STATE_NAMES } from '../../interface/wording/state'

const HEIGHT = 12

interface HourBarsProps {
  readonly hours: readonly HourInState[]
  readonly currency: string
}

/** The cost of one hour in each power state, drawn to one scale. */
export function HourBars({ hours, currency }: HourBarsProps) {
  const most = Math.max(...hours.map(({ amount }) => toNumber(amount)), 1e-9)
  const held = hours.find(({ stillCharged }) => stillCharged)
  return (
    <>
      <Table>
        <tbody>
          {hours.map(({ state, amount }) => (
            <tr key={state}>
              <th scope="row">{STATE_NAMES[state]}</th>
              <td>
                <svg width="100%" height={HEIGHT} aria-hidden="true">
                  <rect
                    width={`${Math.max(2, (toNumber(amount) / most) * 100)}%`}
                    height={HEIGHT}
                    fill={STATE_FILL[state]}
                  />
                </svg>
              </td>
              <Figure>
                {currencySymbol(currency)} {formatAmount(amount, HOURLY_PLACES)}
              </Figure>
            </tr>
          ))}
        </tbody>
      </Table>
      {held && (
        <Note>
          {STATE_NAMES[held.state]} is not free: {formatMoney(held.amount, currency, HOURLY_PLACES)} an hour,
          the hardware is kept for it.
        </Note>
      )}
    </>
  )
}

const Table = styled.table`
  width: 100%;
  border-collapse: collapse;

  th {
    text-align: left;
    font-weight: 400;
    padding: 2px 8px 2px 0;
  }
  td {
    padding: 2px 0;
  }
  td:nth-child(2) {
    width: 42%;
  }
  svg {
    display: block;
  }
`

const Figure = styled.td`
  text-align: right;
  white-space: nowrap;
  padding-left: 8px !important;
`

const Note = styled.p`
  font-size: 12px;
  color: var(--ink-2);
`
