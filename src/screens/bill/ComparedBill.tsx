'use client'

import { useMemo, useState } from 'react'
import styled from 'styled-components'
import { isZero, toNumber } from '../../core/quantity/exact.ts'
import { size } from '../../core/reconcile/dust.ts'
import { roundTo } from '../../core/quantity/decimal.ts'
import { MainAndSide, MainColumn, SideColumn } from '../../interface/MainAndSide'
import { Button } from '../../interface/Button'
import { lazyDialog } from '../../interface/lazyDialog'
import { Menu } from '../../interface/Menu'
import { billsOf, type BillOfPlan } from '../../store/KeptBills.ts'
import { storageProblem } from '../../store/storageProblem.ts'
import { comparisonAsker } from '../../workers/askers.ts'
import { useAnswer } from '../../workers/useAnswer.ts'
import type { BillAnswer } from '../../files/bill/billAnswer.ts'
import { formatMoney, SHOWN_DECIMALS, shownDifference } from '../../wording/money'
import { formatNumber } from '../../wording/number'
import { formatMonth } from '../../wording/time'
import { download } from '../workbench/download.ts'
import { IssueList } from '../workbench/IssueList'
import { useWorkbench } from '../workbench/WorkbenchContext'
import { ToggleRow } from '../../interface/ToggleRow'
import { BillCauses } from './BillCauses'
import { BillMonths } from './BillMonths'
import { BillMachines } from './BillMachines'
import { BillNotes } from './BillNotes'
import { BillSteps } from './BillSteps'
import { forgetBill } from './forgottenBill.ts'
import { ForecastLine } from './ForecastLine'
import type { LinesOfCause } from './linesOfCause.ts'
import { OpenBillButton } from './OpenBillButton'
import { RehearseButton } from './RehearseButton'
import { useTies } from './useBills.ts'

const RowsDialog = lazyDialog(() => import('./RowsDialog'), 'RowsDialog')
const FromBillDialog = lazyDialog(() => import('./FromBillDialog'), 'FromBillDialog')

interface ComparedBillProps {
  readonly bill: BillOfPlan
  readonly bills: readonly BillOfPlan[]
  readonly onKind: (kind: BillOfPlan['kind']) => void
}

/** A kept bill beside the plan as it is now. */
export function ComparedBill({ bill, bills, onKind }: ComparedBillProps) {
  const { state, session, month } = useWorkbench()
  const { plan, books } = state
  const { bytes } = bill
  const ties = useTies()
  const asked = useMemo(() => ties && { plan, books, month, bytes, ties }, [plan, books, month, bytes, ties])
  const { answer, isStale, failure, again } = useAnswer(comparisonAsker, asked)
  const [isPlanned, setIsPlanned] = useState(false)
  const [rows, setRows] = useState<{ readonly of: string; readonly cause?: LinesOfCause }>()
  const untie = (): void => {
    for (const resource of ties?.keys() ?? []) {
      billsOf(session)
        .tie(plan.id!, resource, undefined)
        .catch((error: unknown) => session.say(storageProblem(error)))
    }
  }
  const forget = (): void => void forgetBill(session, plan.id, bill)
  const kinds = bills.filter((each) => each.month === month).map(({ kind }) => kind)
  return (
    <MainAndSide data-testid="bill" aria-busy={isStale && failure === undefined}>
      <MainColumn>
        <Bar>
          <h1>{answer?.ok ? titleOf(answer.value) : `${formatMonth(month)}, planned and billed`}</h1>
          {answer?.ok && <Said>{explainedText(answer.value)}</Said>}
          <Spring />
          {kinds.length > 1 && (
            <ToggleRow
              label="Which bill of the month"
              mode="one"
              options={[
                { id: 'billed', label: 'Billed' },
                { id: 'rehearsed', label: 'Rehearsed' },
              ]}
              chosen={[bill.kind]}
              onChange={([kind]) => kind && onKind(kind)}
            />
          )}
          <OpenBillButton label="Open a bill…" />
          <RehearseButton />
          <Menu
            label="This bill"
            button="This bill ▾"
            entries={[
              {
                id: 'export',
                label: 'Export it by days, FOCUS, gzipped',
                onAction: () => download(`bill-${month}.csv.gz`, bytes, 'application/gzip'),
              },
              { id: 'plan', label: 'Make a plan of it…', onAction: () => setIsPlanned(true) },
              {
                id: 'untie',
                label: 'Tie its resources by their names alone',
                disabled: !ties || ties.size === 0,
                onAction: untie,
              },
              { id: 'forget', label: 'Delete it', onAction: forget },
            ]}
          />
        </Bar>
        <Said>
          {formatMonth(month)},{' '}
          {bill.kind === 'rehearsed' ? `${bill.name}: a practice provider’s bill` : bill.name},{' '}
          {formatNumber(bill.head.rows)} rows
          {answer?.ok && answer.value.until !== undefined && `, until ${answer.value.until}`}
        </Said>
        {failure !== undefined && (
          <p role="alert">
            <b>The bill could not be compared.</b> {failure} <Button onPress={again}>Try again</Button>
          </p>
        )}
        {answer && !answer.ok && (
          <div role="alert">
            <b>The kept bill cannot be read any more.</b> Open it again from its file.
            <IssueList issues={answer.issues} />
          </div>
        )}
        {!answer && failure === undefined && <p>Comparing…</p>}
        {answer?.ok &&
          answer.value.currencies.map((each, i) => (
            <section key={each.currency} aria-label={`In ${each.currency}`}>
              {i > 0 && (
                <Other>
                  In {each.currency}, for which the plan has no rate:{' '}
                  {formatMoney(each.planned, each.currency)} planned,{' '}
                  {formatMoney(each.billed, each.currency)} billed
                </Other>
              )}
              <BillSteps of={each} />
              {i === 0 && <ForecastLine answer={answer.value} />}
              <BillMachines
                machines={each.machines}
                dates={answer.value.days}
                until={answer.value.until}
                onRows={(of) => setRows({ of })}
              />
            </section>
          ))}
        {answer?.ok && <BillNotes head={bill.head} otherPeriods={answer.value.otherPeriods} />}
        <BillMonths bills={bills} isReady={!!answer && !isStale} />
      </MainColumn>
      {rows && <RowsDialog bill={bill} {...rows} onClose={() => setRows(undefined)} />}
      {isPlanned && <FromBillDialog bill={bill} onClose={() => setIsPlanned(false)} />}
      <SideColumn aria-label="Why, in money">
        <h2>Why, in money</h2>
        {answer?.ok && <BillCauses answer={answer.value} onRows={(of, cause) => setRows({ of, cause })} />}
      </SideColumn>
    </MainAndSide>
  )
}

function titleOf({ currencies, until }: BillAnswer): string {
  const [first] = currencies
  if (!first) return 'Nothing is planned and nothing is billed'
  const difference = shownDifference(first.billed, first.planned)
  const far = until === undefined ? '' : ', so far'
  if (isZero(difference)) return `As planned${far}`
  const money = formatMoney(roundTo(size(difference), SHOWN_DECIMALS), first.currency)
  return `${money} ${difference.n > 0n ? 'more' : 'less'} than planned${far}`
}

/** What of all that differs has a cause, in percent. */
function explainedText({ currencies }: BillAnswer): string {
  const [first] = currencies
  if (!first) return ''
  const all = first.causes.reduce((sum, { amount }) => sum + toNumber(size(amount)), 0)
  if (all === 0 || isZero(first.unexplained)) return 'all explained'
  const share = 1 - toNumber(first.unexplained) / all
  return `${formatNumber(Math.floor(share * 1_000) / 10, 1)} % explained`
}

const Bar = styled.div`
  display: flex;
  flex-wrap: wrap;
  gap: 6px 12px;
  align-items: baseline;
`

const Spring = styled.span`
  flex: 1;
`

const Said = styled.p`
  color: var(--ink-2);
`

const Other = styled.p`
  margin-top: 18px;
  padding-top: 10px;
  border-top: 1px solid var(--rule);
`
