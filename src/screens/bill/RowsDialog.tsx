'use client'

import { useMemo, useState } from 'react'
import styled from 'styled-components'
import type { BillLine } from '../../core/bill/billLine.ts'
import { add, subtract, toNumber, ZERO, type Exact } from '../../core/quantity/exact.ts'
import { isDust } from '../../core/reconcile/dust.ts'
import type { DayBeside } from '../../core/reconcile/linesBeside.ts'
import { Button } from '../../interface/Button'
import { Dialog } from '../../interface/Dialog'
import { ToggleRow } from '../../interface/ToggleRow'
import type { BillOfPlan } from '../../store/KeptBills.ts'
import { billLinesAsker } from '../../workers/askers.ts'
import { useAnswer } from '../../workers/useAnswer.ts'
import { formatExact } from '../../wording/money'
import { formatNumber } from '../../wording/number'
import { METER_WORDS } from '../../wording/cause.ts'
import { IssueList } from '../workbench/IssueList'
import { useLinks } from '../workbench/useLinks.ts'
import { useWorkbench } from '../workbench/WorkbenchContext'
import { BillTable } from './BillPage'
import type { LinesOfCause } from './linesOfCause.ts'
import { isOfCause } from './linesOfCause.ts'
import { useTies } from './useBills.ts'

interface RowsDialogProps {
  readonly bill: BillOfPlan
  /** A machine of the plan, or what is on the bill alone. */
  readonly of: string
  /** The days and meters that a cause is about; all of the machine without one. */
  readonly cause?: LinesOfCause
  readonly onClose: () => void
}

const SHOWN_FIRST = 120
const MORE = 400

/** What the plan’s ledger and the rows of the bill say of one machine, side by side. */
export function RowsDialog({ bill, of, cause, onClose }: RowsDialogProps) {
  const { state, month } = useWorkbench()
  const { plan, books } = state
  const link = useLinks()
  const ties = useTies()
  const { bytes } = bill
  const asked = useMemo(
    () => ties && { plan, books, month, bytes, ties, of },
    [plan, books, month, bytes, ties, of],
  )
  const { answer, isStale, failure, again } = useAnswer(billLinesAsker, asked)
  const [scope, setScope] = useState<'cause' | 'all'>(cause ? 'cause' : 'all')
  const [shown, setShown] = useState(SHOWN_FIRST)
  const all = answer?.ok && !isStale ? answer.value : undefined
  const rows = cause && scope === 'cause' ? all?.filter((row) => isOfCause(row, cause)) : all
  const isPlanned = plan.machines.some(({ name }) => name === of)
  return (
    <Dialog title={`${of}, planned and billed, row by row`} isOpen onClose={onClose} wide>
      <Line>
        {cause && (
          <ToggleRow
            label="Which rows"
            mode="one"
            options={[
              { id: 'cause', label: 'of this cause' },
              { id: 'all', label: 'all of it' },
            ]}
            chosen={[scope]}
            onChange={([next]) => next && setScope(next)}
          />
        )}
        {isPlanned && <a {...link({ machine: of, view: 'ledger' })}>Its ledger to the second</a>}
      </Line>
      {failure !== undefined && (
        <p role="alert">
          {failure} <Button onPress={again}>Try again</Button>
        </p>
      )}
      {answer && !answer.ok && <IssueList issues={answer.issues} />}
      {!rows && failure === undefined && !(answer && !answer.ok) && <p aria-busy="true">Reading…</p>}
      {rows?.length === 0 && <p>Neither plan nor bill has rows of these days.</p>}
      {rows && rows.length > 0 && (
        <Scrolled>
          <BillTable data-testid="rows-beside">
            <thead>
              <tr>
                <th scope="col">day</th>
                <th scope="col">what</th>
                <th scope="col">planned</th>
                <th scope="col" data-figure>
                  {rows[0]!.planned[0]?.currency ?? rows[0]!.billed[0]?.currency}
                </th>
                <th scope="col">billed</th>
                <th scope="col" data-figure>
                  {rows[0]!.billed[0]?.currency ?? rows[0]!.planned[0]?.currency}
                </th>
              </tr>
            </thead>
            <tbody>
              {rows.slice(0, shown).map((row) => (
                <tr key={`${row.day} ${row.category} ${row.meter}`}>
                  <th scope="row">{row.day}</th>
                  <td>{whatOf(row)}</td>
                  <td>
                    <Lines lines={row.planned} />
                  </td>
                  <td data-figure>
                    <Amounts lines={row.planned} />
                  </td>
                  <td>
                    <Lines lines={row.billed} isBilled />
                  </td>
                  <td data-figure data-differs={differs(row) || undefined}>
                    <Amounts lines={row.billed} />
                  </td>
                </tr>
              ))}
            </tbody>
          </BillTable>
        </Scrolled>
      )}
      {rows && rows.length > shown && (
        <Button onPress={() => setShown(shown + MORE)}>{rows.length - shown} more</Button>
      )}
      <Button onPress={onClose}>Close</Button>
    </Dialog>
  )
}

const sumOf = (lines: readonly BillLine[]): Exact =>
  lines.reduce((sum, { effective }) => add(sum, effective), ZERO)

const differs = ({ planned, billed }: DayBeside): boolean => !isDust(subtract(sumOf(billed), sumOf(planned)))

const whatOf = ({ meter, category }: DayBeside): string =>
  category === 'usage' ? (meter ? METER_WORDS[meter] : 'usage') : category

/** What was used and what one costs; of a bill also from how many of its rows, where it is more than one. */
function Lines({ lines, isBilled }: { readonly lines: readonly BillLine[]; readonly isBilled?: boolean }) {
  if (lines.length === 0) return <Pale>nothing</Pale>
  return (
    <>
      {lines.map((line, i) => (
        <p key={i}>
          {formatNumber(toNumber(line.quantity), 4)} {line.pricingUnit}
          {line.unitPrice !== '' && ` × ${line.unitPrice}`}
          {line.pricing !== '' && line.pricing !== 'Standard' && `, ${line.pricing}`}
          {isBilled && line.rows > 1 && <Pale> from {formatNumber(line.rows)} rows</Pale>}
        </p>
      ))}
    </>
  )
}

function Amounts({ lines }: { readonly lines: readonly BillLine[] }) {
  return lines.map((line, i) => <p key={i}>{formatExact(line.effective)}</p>)
}

const Line = styled.div`
  display: flex;
  flex-wrap: wrap;
  gap: 8px 16px;
  align-items: baseline;
`

const Scrolled = styled.div`
  overflow-x: auto;

  table {
    width: 100%;
    font-size: 12.5px;
  }
  td[data-differs] {
    font-weight: 640;
    color: var(--leak);
  }
`

const Pale = styled.span`
  color: var(--ink-2);
`
