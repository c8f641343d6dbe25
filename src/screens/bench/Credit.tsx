'use client'

import { lazyPart } from '../../interface/lazyPart'
import { memo } from 'react'
import styled from 'styled-components'
import { parseDecimal } from '../../core/quantity/decimal.ts'
import { QuietButton } from '../../interface/Button'
import { formatMoney } from '../../wording/money'
import { useWorkbench } from '../workbench/WorkbenchContext'
import { BenchSection, BenchTitle } from './BenchSection'
import { creditEndText } from '../../wording/creditEndText.ts'
import { instantText } from '../../wording/instantText.ts'
import type { Overview } from './useOverview.ts'

const CreditTrade = lazyPart(() => import('./CreditTrade'), 'CreditTrade')
const CreditChart = lazyPart(() => import('./CreditChart'), 'CreditChart', { drawing: 170 })

interface CreditProps {
  readonly part: Overview['credit'] | undefined
  readonly curve: Overview['curve'] | undefined
  /** All plates were looked at: what would be enough is known, or there is nothing. */
  readonly surveyed: boolean
  readonly onEdit: () => void
}

/** How long the credit lasts, to the minute, as planned and if nothing were ever switched off. */
export const Credit = memo(function Credit({ part, curve, surveyed, onEdit }: CreditProps) {
  const { state } = useWorkbench()
  const providerName = (id: string): string =>
    state.books.find(({ provider }) => provider.id === id)?.provider.name ?? id
  const { credit } = state.plan
  return (
    <BenchSection aria-label="How long the credit lasts">
      <BenchTitle>
        How long the credit lasts
        {credit && part && (
          <small>
            {formatMoney(parseDecimal(credit.amount)!, part.planned.currency)}
            {credit.provider !== undefined && ` at ${providerName(credit.provider)}`} from {credit.from}, to
            be spent by {credit.expires}, {credit.timeZone}
          </small>
        )}
        <QuietButton onPress={onEdit}>{credit ? 'Change…' : 'Set a credit…'}</QuietButton>
      </BenchTitle>
      {!credit ? (
        <Muted>
          Money that is given once and lost at a date: set it, and see to the hour how long the plan runs on
          it.
        </Muted>
      ) : !part ? (
        <p>Working it out…</p>
      ) : (
        <>
          <Ends data-testid="credit-end">
            <li>
              As planned <b>{creditEndText(part.planned, credit.timeZone)}</b>
            </li>
            <li>
              If nothing is switched off <b>{creditEndText(part.alwaysOn, credit.timeZone)}</b>
            </li>
          </Ends>
          <CreditChart planned={part.planned} alwaysOn={part.alwaysOn} timeZone={credit.timeZone} />
          {part.planned.payments.length > 0 && (
            <Muted>
              Paid up front:{' '}
              {part.planned.payments
                .map(
                  ({ at, name, amount }) =>
                    `${formatMoney(amount, part.planned.currency)} for ${name} on ${instantText(at, credit.timeZone)}`,
                )
                .join('; ')}
              .
            </Muted>
          )}
          {part.planned.leftOut.length > 0 && (
            <Warning>
              Without {part.planned.leftOut.join(', ')}: no price, or no exchange rate, in a month that the
              credit pays.
            </Warning>
          )}
          {part.planned.end.kind === 'used-up' && (
            <CreditTrade
              part={curve}
              pending={!curve && !surveyed}
              credit={credit}
              currency={part.planned.currency}
            />
          )}
        </>
      )}
    </BenchSection>
  )
})

const Ends = styled.ul`
  display: flex;
  flex-wrap: wrap;
  gap: 2px 24px;
  margin: 4px 0;
`

const Muted = styled.p`
  color: var(--ink-2);
`

const Warning = styled.p`
  color: var(--leak);
`
