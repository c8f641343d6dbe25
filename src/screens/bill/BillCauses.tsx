'use client'

import { useState } from 'react'
import styled from 'styled-components'
import type { Cause } from '../../core/reconcile/cause.ts'
import { isDust } from '../../core/reconcile/dust.ts'
import type { DayHours } from '../../core/reconcile/reconcile.ts'
import { roundParts } from '../../core/quantity/roundParts.ts'
import type { BillAnswer } from '../../files/bill/billAnswer.ts'
import type { UnplannedMachine } from '../../files/bill/unplannedMachines.ts'
import { Button, QuietButton } from '../../interface/Button'
import { SHOWN_DECIMALS } from '../../wording/money'
import { groupDigits } from '../../wording/number'
import { causeHead, causeMore, METER_WORDS, MOST_DATES } from '../../wording/cause.ts'
import { CauseActions } from './CauseActions'
import { linesOfCause, type LinesOfCause } from './linesOfCause.ts'

const SHOWN_FIRST = 40

interface BillCausesProps {
  readonly answer: BillAnswer
  readonly onRows: (of: string, cause: LinesOfCause) => void
}

/** Every cause with its money, the largest first, and what can be done about it. */
export function BillCauses({ answer, onRows }: BillCausesProps) {
  const [shown, setShown] = useState(SHOWN_FIRST)
  const [first, ...others] = answer.currencies
  if (!first) return null
  const hours = new Map(first.machines.map(({ machine, days }) => [machine, days]))
  // Counted from what is planned, so that they add up to the difference in the title.
  const [seen, dust] = [false, true].map((is) => first.causes.filter(({ amount }) => isDust(amount) === is))
  const all = [...seen!, ...dust!]
  const { parts: amounts } = roundParts(
    all.map(({ amount }) => amount),
    SHOWN_DECIMALS,
    first.planned,
  )
  const causes = all.filter((_, i) => i < seen!.length || Number(amounts[i]) !== 0)
  if (causes.length === 0) return <p>Plan and bill agree to the cent.</p>
  return (
    <>
      <List>
        {causes.slice(0, shown).map((cause, i) => (
          <CauseItem
            key={`${cause.code} ${cause.of} ${cause.meter} ${i}`}
            cause={cause}
            amount={amounts[i]!}
            hours={hours.get(cause.of) ?? []}
            onRows={onRows}
            unplanned={answer.unplanned.get(cause.of)}
          />
        ))}
      </List>
      {causes.length > shown && (
        <Button onPress={() => setShown(causes.length)}>{causes.length - shown} smaller ones</Button>
      )}
      {others.map(({ currency, causes: own }) => (
        <p key={currency}>
          {own.length} more in {currency}, for which the plan has no rate.
        </p>
      ))}
    </>
  )
}

interface CauseItemProps {
  readonly cause: Cause
  readonly amount: string
  readonly hours: readonly DayHours[]
  readonly onRows: BillCausesProps['onRows']
  readonly unplanned: UnplannedMachine | undefined
}

function CauseItem({ cause, amount, hours, onRows, unplanned }: CauseItemProps) {
  const { parts, days } = cause
  const partAmounts = roundParts(
    (parts ?? []).map((part) => part.amount),
    2,
  ).parts
  const sign = amount.startsWith('-') ? 'less' : 'more'
  return (
    <Item>
      <Head>
        <b>{causeHead(cause)}</b>
        <b data-sign={sign}>{signedText(amount)}</b>
      </Head>
      <p>{causeMore(cause)}</p>
      {(parts || (days && days.length > MOST_DATES)) && (
        <details>
          <summary>{parts ? 'What it is made of' : 'All days'}</summary>
          {parts?.map(({ meter }, i) => (
            <Head key={`${meter} ${i}`}>
              <span>{METER_WORDS[meter]}</span>
              <span>{signedText(partAmounts[i]!)}</span>
            </Head>
          ))}
          {days && days.length > MOST_DATES && <p>{days.map(({ day }) => day.slice(5)).join(', ')}</p>}
        </details>
      )}
      <CauseActions cause={cause} hours={hours} unplanned={unplanned} amount={amount}>
        {cause.of !== '' && (
          <QuietButton
            aria-label={`Rows of ${causeHead(cause)}`}
            onPress={() => onRows(cause.of, linesOfCause(cause))}
          >
            Rows…
          </QuietButton>
        )}
      </CauseActions>
    </Item>
  )
}

const signedText = (amount: string): string =>
  amount.startsWith('-') ? groupDigits(amount) : `+${groupDigits(amount)}`

const List = styled.ol`
  display: grid;
`

const Item = styled.li`
  display: grid;
  gap: 3px;
  padding: 8px 0;
  border-top: 1px solid var(--rule);
  overflow-wrap: anywhere;

  p,
  details {
    font-size: 12px;
    color: var(--ink-2);
  }
  summary {
    cursor: pointer;
    min-height: 24px;
  }
  b[data-sign='more'] {
    color: var(--leak);
  }
  b[data-sign='less'] {
    color: var(--save);
  }
`

const Head = styled.div`
  display: flex;
  gap: 10px;
  justify-content: space-between;
  align-items: baseline;

  & > :last-child {
    white-space: nowrap;
  }
`
