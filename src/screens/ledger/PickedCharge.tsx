'use client'

import styled from 'styled-components'
import type { LedgerRow } from '../../core/ledger/ledger.ts'
import type { PlanLedger } from '../../core/ledger/planLedger.ts'
import { amountOf } from '../../core/meter/makeCharge.ts'
import { chargeArithmetic, chargeRules } from '../../wording/arithmetic'
import { chargeRounding, chargeTitle } from '../../wording/charge'
import { formatExact } from '../../wording/money'
import { STATE_NAMES } from '../../wording/state'
import { formatInstantIn } from '../../wording/time'
import { ChargeRate } from './ChargeRate'
import { CopyButton } from './CopyButton'
import { Figure, Small } from './explanation.styles'
import { sumText } from './sumText.ts'

interface PickedChargeProps {
  readonly answer: PlanLedger
  readonly row: LedgerRow
  readonly timeZone: string
}

/** One charge: its arithmetic in figures and words, and its rate where it stands in the book. */
export function PickedCharge({ answer, row, timeZone }: PickedChargeProps) {
  const { ledger } = answer
  const { charge, machine } = row.line
  const { name, provider, edition, currency } = ledger.machines[machine]!
  const shown = sumText(new Map([[currency, row.shown]]), ledger)
  const rules = chargeRules(charge, timeZone)
  const rounding = chargeRounding(charge)
  const arithmetic = chargeArithmetic(charge, row.ticks)
  const copied = [
    `${name}: ${chargeTitle(charge)}, ${shown}`,
    arithmetic,
    ...rules,
    `Rate: ${provider}, edition ${edition}, ${charge.rate.pointer}`,
  ].join('\n')
  return (
    <>
      <h2>
        {name}: {chargeTitle(charge)}
      </h2>
      <Figure data-testid="picked-amount">{shown}</Figure>
      <p data-testid="picked-arithmetic">{arithmetic}</p>
      {row.ticks !== charge.pieces.ticks && !charge.waived && (
        <Small>A part of the whole line, which is {formatExact(charge.amount)} in the month.</Small>
      )}
      {rules.map((rule) => (
        <p key={rule}>{rule}</p>
      ))}
      {rounding && <Small>{rounding}</Small>}
      <Facts>
        <dt>from</dt>
        <dd>{formatInstantIn(row.span.from, timeZone)}</dd>
        <dt>to</dt>
        <dd>{formatInstantIn(row.span.to, timeZone)}</dd>
        <dt>state</dt>
        <dd>{STATE_NAMES[row.state]}</dd>
        <dt>to the last digit</dt>
        <dd>{formatExact(amountOf(charge, row.ticks))}</dd>
      </Facts>
      <ChargeRate answer={answer} line={row.line} />
      <CopyButton text={copied} />
    </>
  )
}

const Facts = styled.dl`
  display: grid;
  grid-template-columns: auto 1fr;
  gap: 2px 10px;
  font-size: 12px;

  dt {
    color: var(--ink-2);
  }
  dd {
    text-align: right;
  }
`
