'use client'

import styled from 'styled-components'
import { ledgerRow } from '../../core/ledger/ledger.ts'
import type { PlanLedger } from '../../core/ledger/planLedger.ts'
import { media } from '../../interface/theme/media'
import { PickedCharge } from './PickedCharge'
import { PickedGroup } from './PickedGroup'
import type { Picked } from './picked.ts'

interface ChargePanelProps {
  readonly answer: PlanLedger
  readonly picked: Picked | undefined
  readonly timeZone: string
}

/** Why the picked figure is what it is. */
export function ChargePanel({ answer, picked, timeZone }: ChargePanelProps) {
  return (
    <Panel aria-label="The picked charge" aria-live="polite" tabIndex={0}>
      {picked === undefined && (
        <>
          <h2>Why is it that much?</h2>
          <p>
            Pick a charge or a group to see its arithmetic and its rate in the price book. Arrow keys go from
            one to the next; Enter folds and unfolds a group.
          </p>
        </>
      )}
      {picked?.of === 'row' && (
        <PickedCharge answer={answer} row={ledgerRow(answer.ledger, picked.row)} timeZone={timeZone} />
      )}
      {picked?.of === 'group' && (
        <PickedGroup answer={answer} title={picked.title} rows={picked.rows} timeZone={timeZone} />
      )}
    </Panel>
  )
}

const Panel = styled.aside`
  display: grid;
  gap: 7px;
  align-content: start;
  overflow: auto;
  padding: 0 4px 8px 12px;
  border-left: 2px solid var(--plate-edge);
  overflow-wrap: anywhere;

  h2:not(:first-child) {
    margin-top: 8px;
  }
  ${media.narrow} {
    border-left: 0;
    padding: 0;
  }
`
