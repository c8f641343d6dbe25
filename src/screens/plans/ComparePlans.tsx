'use client'

import { PlanPricing } from '../../core/meter/planPricing.ts'
import { ownValue } from '../../core/ownValue.ts'
import { Fragment, useMemo } from 'react'
import styled from 'styled-components'
import type { Plan } from '../../core/machine/plan.ts'
import { parseDecimal } from '../../core/quantity/decimal.ts'
import { compareReports, type Compared } from '../../files/estimate/compareReports.ts'
import { estimateReport, pricePlan, type EstimateReport } from '../../files/estimate/estimateReport.ts'
import { Button } from '../../interface/Button'
import { Dialog } from '../../interface/Dialog'
import { METER_NAMES } from '../../wording/charge'
import { formatAmount, signedMoney } from '../../wording/money'
import { formatMonth } from '../../wording/time'
import { useWorkbench } from '../workbench/WorkbenchContext'

interface ComparePlansProps {
  readonly before: Plan
  readonly beforeName: string
  readonly onBack: () => void
  readonly onClose: () => void
}

/** Two plans of one month, line by line: only what is not the same. */
export function ComparePlans({ before, beforeName, onBack, onClose }: ComparePlansProps) {
  const { state, keptBooks: books, month, address } = useWorkbench()
  const { plan } = state
  const { reading } = address
  const comparison = useMemo(() => {
    const reportOf = (each: Plan): EstimateReport => {
      return estimateReport(
        each,
        pricePlan(each, new PlanPricing({ plan: each, books, month, reading })),
        month,
        reading,
      )
    }
    return compareReports(reportOf(before), reportOf(plan))
  }, [before, plan, books, month, reading])
  const { machines, same, total } = comparison
  return (
    <Dialog title={`${plan.name} against ${beforeName}, ${formatMonth(month)}`} isOpen onClose={onClose} wide>
      {machines.length === 0 ? (
        <p>No machine costs anything else.</p>
      ) : (
        <Scroll tabIndex={0} role="region" aria-label="What is not the same">
          <table data-testid="comparison">
            <thead>
              <tr>
                <th scope="col">machine, and its lines</th>
                <th scope="col">{beforeName}</th>
                <th scope="col">now</th>
                <th scope="col">difference</th>
              </tr>
            </thead>
            <tbody>
              {machines.map(({ name, currency, lines, ...own }) => (
                <Fragment key={name}>
                  <tr>
                    <th scope="row">
                      <b>{name}</b> <small>{currency}</small>
                    </th>
                    <Cells {...own} />
                  </tr>
                  {lines.map(({ what, ...line }) => (
                    <tr key={what}>
                      <th scope="row">
                        <Indent>{lineName(what)}</Indent>
                      </th>
                      <Cells {...line} />
                    </tr>
                  ))}
                </Fragment>
              ))}
            </tbody>
            <tfoot>
              <tr>
                <th scope="row">In all, {total.currency}</th>
                <Cells {...total.shown} />
              </tr>
            </tfoot>
          </table>
        </Scroll>
      )}
      <p>{same === 1 ? '1 machine is' : `${same} machines are`} the same in both.</p>
      <Line>
        <Button onPress={onBack}>Back to the plans</Button>
        <Button onPress={onClose}>Close</Button>
      </Line>
    </Dialog>
  )
}

const Cells = ({ before, after, difference }: Compared) => (
  <>
    <td>{before === undefined ? '' : formatAmount(parseDecimal(before)!)}</td>
    <td>{after === undefined ? '' : formatAmount(parseDecimal(after)!)}</td>
    <td>{difference === undefined ? '' : signedMoney(parseDecimal(difference)!)}</td>
  </>
)

/** `disk 1`: a meter, and which of several it is. */
function lineName(what: string): string {
  const [meter = '', part] = what.split(' ')
  const name = METER_NAMES[meter as keyof typeof METER_NAMES] ?? meter
  if (part === undefined) return name
  const number = Number(part)
  return Number.isNaN(number)
    ? `${name}, ${ownValue(ADDRESS_USE, part) ?? part}`
    : `${name}, ${number === 0 ? 'system' : `data ${number}`}`
}

const ADDRESS_USE: Readonly<Record<string, string>> = {
  attachedOn: 'while on',
  attachedOff: 'while off',
  unattached: 'unattached',
}

const Scroll = styled.div`
  max-height: 56vh;
  overflow: auto;

  table {
    width: 100%;
    border-collapse: collapse;
  }
  th,
  td {
    padding: 2px 0 2px 16px;
    text-align: right;
    font-weight: 400;
    white-space: nowrap;
  }
  th:first-child {
    padding-left: 0;
    text-align: left;
  }
  thead th {
    position: sticky;
    top: 0;
    background: var(--sheet);
    font-size: 12px;
    color: var(--ink-2);
  }
  tbody tr {
    border-top: 1px solid var(--rule);
  }
  tfoot tr {
    border-top: 2px solid var(--ink);
    font-weight: 640;
  }
`

const Indent = styled.span`
  padding-left: 16px;
  color: var(--ink-2);
`

const Line = styled.div`
  display: flex;
  gap: 8px;
`
