'use client'

import { lazyPart } from '../../interface/lazyPart'
import { useMemo, useRef } from 'react'
import styled from 'styled-components'
import { foldShares, type SharedMachine } from '../../core/wholePlan/foldShares.ts'
import { joinSplits } from '../../core/wholePlan/shownSplit.ts'
import { subtract } from '../../core/quantity/exact.ts'
import { Button } from '../../interface/Button'
import { currencyCode, formatAmount, formatMoney } from '../../wording/money'
import { formatMonth } from '../../wording/time'
import { Ahead } from '../bench/Ahead'
import { creditEndText } from '../../wording/creditEndText.ts'
import { useOverview } from '../bench/useOverview.ts'
import { barLength, MonthBar } from '../month/MonthBar'
import { download } from '../workbench/download.ts'
import { fileName } from '../workbench/fileName.ts'
import { useWorkbench } from '../workbench/WorkbenchContext'
import { picturesOf } from './picturesOf.ts'

// Printed and saved whole, also what is not in view.
const CreditChart = lazyPart(() => import('../bench/CreditChart'), 'CreditChart')

/** The month for those who pay: what it costs, what was saved, how long the money lasts. Fit for printing. */
export function MonthReport() {
  const { state, month, address } = useWorkbench()
  const { plan } = state
  const { overview, pending } = useOverview()
  const page = useRef<HTMLElement>(null)
  const { month: part, ahead, credit } = overview
  const shares = useMemo(() => {
    const byName = new Map(part?.rows.map((row) => [row.name, row]))
    return plan.machines.flatMap((machine): SharedMachine[] => {
      const row = byName.get(machine.name)
      return row?.priced && row.shown ? [{ machine, ...row.shown }] : []
    })
  }, [plan.machines, part])
  if (!part) return <p>Pricing {plan.machines.length} machines…</p>
  const { totals } = part
  const budget = overview.limits?.budget
  const { currency, planned, alwaysOn, tax } = totals
  const centres = foldShares(shares, 'cost-centre', 'total')
  const machines = foldShares(shares, 'machine', 'total')
  const all = joinSplits(machines)
  const scale = Math.max(0, ...machines.map(barLength))
  const save = async (kind: 'svg' | 'png'): Promise<void> => {
    if (!page.current) return
    for (const { name, data } of await picturesOf(page.current, kind)) {
      download(
        `${fileName(plan.name)}-${month}-${name}.${kind}`,
        data,
        kind === 'svg' ? 'image/svg+xml' : 'image/png',
      )
    }
  }
  return (
    <Page ref={page} data-testid="month-report" aria-busy={pending}>
      <Head>
        <div>
          <h2>{plan.name}</h2>
          <p>
            {formatMonth(month)}
            {address.reading === 'calendar' ? '' : ', read as 730 hours'}
          </p>
        </div>
        <Buttons data-print="no">
          <Button onPress={() => void save('svg')}>Export the charts, SVG</Button>
          <Button onPress={() => void save('png')}>Export the charts, PNG</Button>
        </Buttons>
      </Head>
      <Facts>
        <div>
          <dt>Planned</dt>
          <dd data-testid="report-total">{formatMoney(planned, currency)}</dd>
        </div>
        {tax && (
          <div>
            <dt>Tax of {plan.taxPercent} %</dt>
            <dd>{formatMoney(tax, currency)}</dd>
          </div>
        )}
        <div>
          <dt>If nothing were switched off</dt>
          <dd>{formatMoney(alwaysOn, currency)}</dd>
        </div>
        <div>
          <dt>Saved by switching off</dt>
          <dd>{formatMoney(subtract(alwaysOn, planned), currency)}</dd>
        </div>
        {budget && (
          <div>
            <dt>Budget, and what is left of it</dt>
            <dd>
              {formatMoney(budget.budget, currency)}, {formatMoney(budget.left, currency)}
            </dd>
          </div>
        )}
        {credit && plan.credit && (
          <div>
            <dt>The credit lasts</dt>
            <dd>{creditEndText(credit.planned, plan.credit.timeZone)}</dd>
          </div>
        )}
      </Facts>
      {centres.length > 1 && (
        <>
          <h3>By cost centre</h3>
          <Table>
            <tbody>
              {centres.map(({ key, total, machines: names }) => (
                <tr key={key}>
                  <th scope="row">{key || 'no cost centre'}</th>
                  <td>{names.length === 1 ? '1 machine' : `${names.length} machines`}</td>
                  <td>{formatAmount(total)}</td>
                </tr>
              ))}
            </tbody>
          </Table>
        </>
      )}
      <h3>{['By machine', currencyCode(currency)].filter(Boolean).join(', ')}</h3>
      <Table>
        <thead>
          <tr>
            <th scope="col">machine</th>
            <th scope="col">kept, asked for, leak, and saved</th>
            <th scope="col">kept</th>
            <th scope="col">asked for</th>
            <th scope="col">leak</th>
            <th scope="col">saved</th>
            <th scope="col">month</th>
          </tr>
        </thead>
        <tbody>
          {machines.map((group) => (
            <tr key={group.key}>
              <th scope="row">{group.key}</th>
              <td>
                <MonthBar split={group} scale={scale} height={10} />
              </td>
              <td>{formatAmount(group.kept)}</td>
              <td>{formatAmount(group.asked)}</td>
              <td>{formatAmount(group.leak)}</td>
              <td>{formatAmount(group.saved)}</td>
              <td>{formatAmount(group.total)}</td>
            </tr>
          ))}
        </tbody>
        <tfoot>
          <tr>
            <th scope="row">Planned</th>
            <td />
            <td>{formatAmount(all.kept)}</td>
            <td>{formatAmount(all.asked)}</td>
            <td>{formatAmount(all.leak)}</td>
            <td>{formatAmount(all.saved)}</td>
            <td>{formatAmount(planned)}</td>
          </tr>
        </tfoot>
      </Table>
      {credit && plan.credit && (
        <section data-picture="credit">
          <h3>What is left of the credit</h3>
          <CreditChart planned={credit.planned} alwaysOn={credit.alwaysOn} timeZone={plan.credit.timeZone} />
        </section>
      )}
      <section data-picture="months">
        <Ahead part={ahead} isWhole />
      </section>
    </Page>
  )
}

const Page = styled.article`
  max-width: 900px;
  /* Bars are drawn as backgrounds, which browsers leave out of print otherwise. */
  print-color-adjust: exact;

  h2 {
    font-size: 20px;
    color: var(--ink);
  }
  h3,
  section h2 {
    margin: 16px 0 4px;
    font-size: 13px;
    font-weight: 640;
  }
  section {
    break-inside: avoid;
  }
`

const Head = styled.div`
  display: flex;
  flex-wrap: wrap;
  justify-content: space-between;
  gap: 8px;
`

const Buttons = styled.div`
  display: flex;
  gap: 8px;
  align-items: start;
`

const Facts = styled.dl`
  display: flex;
  flex-wrap: wrap;
  gap: 10px 32px;
  margin: 12px 0 0;

  dt {
    font-size: 12px;
    color: var(--ink-2);
  }
  dd {
    font-size: 16px;
    font-weight: 600;
  }
`

const Table = styled.table`
  width: 100%;
  border-collapse: collapse;

  th,
  td {
    padding: 2px 0 2px 14px;
    text-align: right;
    font-weight: 400;
  }
  th:first-child {
    padding-left: 0;
    text-align: left;
  }
  thead th {
    font-size: 12px;
    color: var(--ink-2);
  }
  thead th:nth-child(2) {
    width: 36%;
    text-align: left;
  }
  tbody tr {
    border-top: 1px solid var(--rule);
  }
  tfoot tr {
    border-top: 2px solid var(--ink);
    font-weight: 640;
  }
`
