'use client'

import type { ReactNode } from 'react'
import styled from 'styled-components'
import { editionsOf, priceBookFor } from '../../core/catalogue/bookFor.ts'
import { providersUsed } from '../../core/machine/consideredBooks.ts'
import type { PriceBook } from '../../core/catalogue/priceBook.ts'
import { Tick } from '../../interface/Tick'
import { formatMonth } from '../../wording/time'
import { considerProviders, leaveProvider } from '../../store/providerCommands.ts'
import { useWorkbench } from '../workbench/WorkbenchContext'

interface KnownProvidersProps {
  readonly withInvented?: boolean
  /** Shown beside each: a way to its book. */
  readonly children?: (newest: PriceBook) => ReactNode
}

/** Every provider with a book in this browser, and whether the plan considers it. */
export function KnownProviders({ withInvented = true, children }: KnownProvidersProps) {
  const { session, keptBooks, state, month } = useWorkbench()
  const { plan } = state
  const used = new Set(providersUsed(plan))
  const considered = new Set(state.books.map(({ provider }) => provider.id))
  const shown = keptBooks.filter(({ provider }) => withInvented || !provider.invented)
  const ids = [...new Set(shown.map(({ provider }) => provider.id))]
  return (
    <List>
      {ids.map((id) => {
        const newest = editionsOf(id, keptBooks).at(-1)!
        const { provider, currency, sizes, regions } = newest
        const machines = plan.machines.filter((machine) => machine.provider === id).length
        return (
          <li key={id}>
            <Tick
              label={
                <>
                  <b>{provider.name}</b>
                  {provider.invented && <Invented>invented</Invented>}
                </>
              }
              checked={considered.has(id)}
              disabled={used.has(id)}
              onChange={(isConsidered) =>
                session.edit(
                  `${isConsidered ? 'consider' : 'leave out'} ${provider.name}`,
                  isConsidered ? considerProviders([id]) : leaveProvider(id),
                )
              }
            />
            <small>
              {currency}, {sizes.length} {sizes.length === 1 ? 'size' : 'sizes'} in {regions.length}{' '}
              {regions.length === 1 ? 'place' : 'places'}
              {machines > 0 && `, ${machines} ${machines === 1 ? 'machine' : 'machines'} of the plan`}
            </small>
            {considered.has(id) && !priceBookFor(id, keptBooks, month) && (
              <small>
                <em>no prices for {formatMonth(month)}</em>
              </small>
            )}
            {children?.(newest)}
          </li>
        )
      })}
    </List>
  )
}

const List = styled.ul`
  display: grid;
  gap: 8px;

  small {
    display: block;
    padding-left: 20px;
    font-size: 12px;
    color: var(--ink-2);
  }
  em {
    font-style: normal;
    color: var(--leak);
  }
`

const Invented = styled.span`
  margin-left: 6px;
  font-size: 11px;
  color: var(--kept);
  border-bottom: 1px dotted currentcolor;
`
