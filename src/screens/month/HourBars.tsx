'use client'

import styled from 'styled-components'
import type { HourInState } from '../../core/meter/hourByState.ts'
import { toNumber } from '../../core/quantity/exact.ts'
import { STATE_FILL } from '../../interface/StatePatterns'
import { METER_NAMES } from '../../wording/charge'
import { hourSentences } from '../../wording/hours'
import { formatAmount, currencySymbol, HOURLY_PLACES } from '../../wording/money'
import { STATE_NAMES } from '../../wording/state'
import { VisuallyHidden } from '../../interface/VisuallyHidden'
import { DetailsToggle } from './DetailsToggle'

const HEIGHT = 12

interface HourBarsProps {
  readonly hours: readonly HourInState[]
  readonly currency: string
  /** On a flat plan, which charges a machine that is off in full. */
  readonly flat: boolean
}

/** The cost of one hour in each power state, drawn to one scale, and what it is made of. */
export function HourBars({ hours, currency, flat }: HourBarsProps) {
  const most = Math.max(...hours.map(({ amount }) => toNumber(amount)), 1e-9)
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
      {hourSentences(hours, currency, flat).map((sentence) => (
        <Note key={sentence}>{sentence}</Note>
      ))}
      <DetailsToggle label="By meter">
        <ByMeter hours={hours} currency={currency} />
      </DetailsToggle>
    </>
  )
}

function ByMeter({ hours, currency }: Omit<HourBarsProps, 'flat'>) {
  const meters = [...new Set(hours.flatMap(({ byMeter }) => byMeter.map(({ meter }) => meter)))]
  return (
    <Meters>
      <VisuallyHidden as="caption">{currency} an hour in each state, by meter</VisuallyHidden>
      <thead>
        <tr>
          <th scope="col">{currencySymbol(currency)} an hour</th>
          {hours.map(({ state }) => (
            <th scope="col" key={state} title={STATE_NAMES[state]}>
              {STATE_NAMES[state].slice(0, 4)}
            </th>
          ))}
        </tr>
      </thead>
      <tbody>
        {meters.map((meter) => (
          <tr key={meter}>
            <th scope="row">{METER_NAMES[meter]}</th>
            {hours.map(({ state, byMeter }) => {
              const found = byMeter.find((part) => part.meter === meter)
              return <td key={state}>{found ? formatAmount(found.amount, HOURLY_PLACES) : '–'}</td>
            })}
          </tr>
        ))}
      </tbody>
    </Meters>
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

const Meters = styled.table`
  width: 100%;
  border-collapse: collapse;
  font-size: 11px;

  th {
    text-align: left;
    font-weight: 400;
    color: var(--ink-2);
  }
  td,
  thead th:not(:first-child) {
    text-align: right;
    padding-left: 5px;
  }
`
