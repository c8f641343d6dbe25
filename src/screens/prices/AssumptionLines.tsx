'use client'

import styled from 'styled-components'
import type { PriceBook } from '../../core/catalogue/priceBook.ts'
import type { AssumptionCost } from '../../core/manner/assumptionCosts.ts'
import { compare } from '../../core/quantity/exact.ts'
import { formatMoney, shownDifference, signedMoney } from '../../wording/money'
import { ifText } from '../../wording/manner'
import { assumptionAsker } from '../../workers/askers.ts'
import { useAnswer } from '../../workers/useAnswer.ts'
import { useWorkbench } from '../workbench/WorkbenchContext'

/** Beyond these the page of terms is better read from its beginning. */
const MOST_SHOWN = 4

/** What the plan’s month would be if an assumed answer were another one, the dearest difference first. */
export function AssumptionLines({ book }: { readonly book: PriceBook }) {
  const { state, month, address } = useWorkbench()
  const { plan, books } = state
  const { provider, currency, assumed } = book
  const hasMachines = plan.machines.some((machine) => machine.provider === provider.id)
  const asked = assumed && hasMachines ? { plan, books, month, reading: address.reading } : undefined
  const { answer, isStale, failure } = useAnswer(assumptionAsker, asked)
  if (!asked) return null
  if (failure) return <p role="alert">{failure}</p>
  const costs = (answer ?? []).filter(
    ({ provider: id, now, then }) => id === provider.id && (!then || compare(now, then) !== 0),
  )
  if (costs.length === 0) return isStale ? null : <Note>Nothing that is assumed changes this month.</Note>
  return (
    <List aria-label="What assumptions are worth" aria-busy={isStale}>
      {costs.slice(0, MOST_SHOWN).map((cost, i) => (
        <Cost key={`${cost.about} ${cost.value}`} cost={cost} currency={currency} isFirst={i === 0} />
      ))}
    </List>
  )
}

function Cost({
  cost: { about, value, now, then, unpriced },
  currency,
  isFirst,
}: {
  readonly cost: AssumptionCost
  readonly currency: string
  readonly isFirst: boolean
}) {
  if (!then)
    return (
      <li>
        {ifText(about, value)}, {unpriced.join(', ')} {unpriced.length === 1 ? 'has' : 'have'} no price: type
        what the size costs then.
      </li>
    )
  const difference = signedMoney(shownDifference(then, now))
  return (
    <li>
      {ifText(about, value)}, this month is <b>{formatMoney(then, currency)}</b> in place of{' '}
      <b>{formatMoney(now, currency)}</b> ({difference}).{isFirst && ' Look this one up first.'}
    </li>
  )
}

const List = styled.ul`
  display: grid;
  gap: 1px;
  margin-top: 12px;

  b {
    white-space: nowrap;
  }

  li {
    padding: 6px 10px;
    border-left: 4px solid var(--held);
    background: var(--sheet);
  }
`

const Note = styled.p`
  margin-top: 12px;
  font-size: 12px;
  color: var(--ink-2);
`
