'use client'

import styled from 'styled-components'
import type { Charge } from '../../core/meter/charge.ts'
import type { PlanLedger } from '../../core/ledger/planLedger.ts'
import { writeLedgerCsv } from '../../files/ledgerCsv.ts'
import { Menu } from '../../interface/Menu'
import { chargeRules } from '../../wording/arithmetic'
import { chargeTitle } from '../../wording/charge'
import { download } from '../workbench/download.ts'
import { fileName } from '../workbench/fileName.ts'
import { useWorkbench } from '../workbench/WorkbenchContext'
import { sumText } from './sumText.ts'
import { formatNumber } from '../../wording/number'

interface LedgerTotalsProps {
  readonly answer: PlanLedger
  readonly rows: Uint32Array
  readonly sums: ReadonlyMap<string, number>
  readonly unpriced: readonly string[]
  readonly filtered: boolean
  readonly timeZone: string
}

/** What the shown rows add up to, and the way out as CSV. */
export function LedgerTotals({ answer, rows, sums, unpriced, filtered, timeZone }: LedgerTotalsProps) {
  const { state, address, machine, month } = useWorkbench()
  const { ledger } = answer
  const save = (byteOrderMark: boolean): void => {
    const words = (charge: Charge) => ({
      what: chargeTitle(charge),
      rule: chargeRules(charge, timeZone).join(' '),
    })
    const text = writeLedgerCsv(ledger, rows, address.reading, words, { byteOrderMark })
    const name = address.ledger.of === 'plan' ? state.plan.name : (machine?.name ?? 'machine')
    download(`${fileName(name)}-${month}.ledger.csv`, text, 'text/csv;charset=utf-8')
  }
  return (
    <Foot>
      <span data-testid="ledger-total">
        <b>{rows.length === 0 ? 'nothing' : sumText(sums, ledger)}</b>
        {filtered ? ' of what passes the filters, ' : ' in all, '}
        {formatNumber(rows.length)} {rows.length === 1 ? 'charge' : 'charges'}
        {address.reading === '730-hours' && ', the month read as 730 hours'}
      </span>
      {unpriced.length > 0 && <Warning>without {unpriced.join(', ')}: not priced</Warning>}
      <Rule title="In the order of a machine’s bill each amount is the step between the running sums, rounded half away from zero.">
        Rounded so that they add up: each is the step between the running sums of its machine’s bill.
      </Rule>
      <Menu
        label="Export the ledger"
        button="Export ▾"
        entries={[
          { id: 'csv', label: 'CSV', disabled: rows.length === 0, onAction: () => save(false) },
          {
            id: 'csv-bom',
            label: 'CSV with a byte-order mark, for spreadsheets',
            disabled: rows.length === 0,
            onAction: () => save(true),
          },
        ]}
      />
    </Foot>
  )
}

const Foot = styled.div`
  display: flex;
  flex-wrap: wrap;
  gap: 4px 14px;
  align-items: center;
`

const Rule = styled.span`
  flex: 1 1 260px;
  font-size: 12px;
  color: var(--ink-2);
`

const Warning = styled.span`
  color: var(--leak);
`
