'use client'

import styled from 'styled-components'
import type { EditionEffect } from '../../core/pricelist/editionEffect.ts'
import { add, ZERO } from '../../core/quantity/exact.ts'
import { formatMoney, shownDifference, signedMoney } from '../../wording/money'
import { CountsTable } from './CountsTable'
import { PartTitle } from './PartTitle'

interface EffectsProps {
  readonly effects: readonly EditionEffect[]
  readonly currency: string
}

/** The plan’s machines at the provider, each under both editions. */
export function EditionEffects({ effects, currency }: EffectsProps) {
  if (effects.length === 0) return <Note>None of the plan’s machines is at this provider.</Note>
  const both = effects.flatMap(({ before, after }) =>
    before && after ? [shownDifference(after, before)] : [],
  )
  const total = both.reduce(add, ZERO)
  return (
    <>
      <PartTitle>
        <h2>This plan’s month</h2>
        <span>
          {signedMoney(total)} {currency} in all, if both held in it
        </span>
      </PartTitle>
      <CountsTable tabIndex={0} role="group" aria-label="Machines under both editions">
        <table>
          <thead>
            <tr>
              <th scope="col">machine</th>
              <th scope="col">before</th>
              <th scope="col">then</th>
              <th scope="col">difference</th>
            </tr>
          </thead>
          <tbody>
            {effects.map(({ machine, before, after }) => (
              <tr key={machine}>
                <th scope="row">{machine}</th>
                <td>{before ? formatMoney(before, currency) : 'not priced'}</td>
                <td>{after ? formatMoney(after, currency) : 'not priced'}</td>
                <td>{before && after ? signedMoney(shownDifference(after, before)) : ''}</td>
              </tr>
            ))}
          </tbody>
        </table>
      </CountsTable>
    </>
  )
}

const Note = styled.p`
  margin: 2px 0 12px;
  font-size: 12px;
  color: var(--ink-2);
`
