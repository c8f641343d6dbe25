'use client'

import styled from 'styled-components'
import { parseDecimal } from '../../core/quantity/decimal.ts'
import { ZERO } from '../../core/quantity/exact.ts'
import { troubleLine } from '../../files/bill/billTable.ts'
import type { Comparison } from '../../files/bill/compareBill.ts'
import { instant } from '../../core/quantity/units.ts'
import type { BillHead, Happened } from '../../files/bill/keptBill.ts'
import { formatMoney } from '../../wording/money'
import { formatNumber } from '../../wording/number'
import { formatInstantIn } from '../../wording/time'
import { useWorkbench } from '../workbench/WorkbenchContext'
import { happenedText } from './mishapText.ts'

interface BillNotesProps {
  readonly head: BillHead
  readonly otherPeriods: Comparison['otherPeriods']
}

/** What is on the bill and in no figure: other services, parts that came twice, rows with something wrong. */
export function BillNotes({ head, otherPeriods }: BillNotesProps) {
  const { leftOut, troubles, files } = head
  const repeated = files.filter(({ isRepeated }) => isRepeated)
  const count = leftOut.length + troubles.length + repeated.length + otherPeriods.length
  return (
    <>
      <WhatHappened happened={head.happened ?? []} />
      {count > 0 && (
        <Notes>
          <summary>Beside it on the bill: {formatNumber(count)}</summary>
          <ul>
            {leftOut.map(({ service, currency, rows, effective }) => (
              <li key={`${service} ${currency}`}>
                {service}: {formatMoney(parseDecimal(effective) ?? ZERO, currency)} in {formatNumber(rows)}{' '}
                rows, not about machines.
              </li>
            ))}
            {otherPeriods.map(({ period, currency, rows, effective }) => (
              <li key={`${period} ${currency}`}>
                {formatMoney(effective, currency)} in {formatNumber(rows)} rows are of the period that begins
                on {period}.
              </li>
            ))}
            {repeated.map(({ name }) => (
              <li key={name}>{name} came twice, and is counted once.</li>
            ))}
            {troubles.map((trouble) => (
              <li key={trouble.code}>{troubleLine(trouble)}</li>
            ))}
          </ul>
        </Notes>
      )}
    </>
  )
}

/** What a rehearsal let go wrong, in order of time; its causes should say the same. */
function WhatHappened({ happened }: { readonly happened: readonly Happened[] }) {
  const { state } = useWorkbench()
  const zone = state.plan.weeks[0]?.timeZone ?? 'Etc/UTC'
  if (happened.length === 0) return null
  return (
    <Notes>
      <summary>What this rehearsal let go wrong: {formatNumber(happened.length)}</summary>
      <ul>
        {happened.slice(0, MOST_SHOWN).map((each, i) => (
          <li key={i}>
            {formatInstantIn(instant(each.at), zone)}, {happenedText(each)}
          </li>
        ))}
      </ul>
    </Notes>
  )
}

const MOST_SHOWN = 200

const Notes = styled.details`
  margin-top: 16px;
  color: var(--ink-2);
  overflow-wrap: anywhere;

  summary {
    cursor: pointer;
    min-height: 24px;
  }
`
