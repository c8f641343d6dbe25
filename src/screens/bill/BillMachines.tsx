'use client'

import { useMemo, useState } from 'react'
import styled from 'styled-components'
import { compare, isZero, subtract } from '../../core/quantity/exact.ts'
import { size } from '../../core/reconcile/dust.ts'
import type { MachineDifference } from '../../core/reconcile/reconcile.ts'
import { roundTo } from '../../core/quantity/decimal.ts'
import { Button, QuietButton } from '../../interface/Button'
import { media } from '../../interface/theme/media'
import { formatAmount, shownDifference, SHOWN_DECIMALS, signedMoney } from '../../wording/money'
import { useLinks } from '../workbench/useLinks.ts'
import { HoursStrip } from './HoursStrip'
import { NotPlanned } from './NotPlanned'

interface BillMachinesProps {
  readonly machines: readonly MachineDifference[]
  readonly dates: readonly string[]
  readonly until: string | undefined
  readonly onRows: (of: string) => void
}

const SHOWN_FIRST = 60
const MORE = 200

/** Every machine of the plan and every other resource of the bill, those first that differ most. */
export function BillMachines({ machines, dates, until, onRows }: BillMachinesProps) {
  const link = useLinks()
  const [shown, setShown] = useState(SHOWN_FIRST)
  const sorted = useMemo(
    () =>
      [...machines].sort((a, b) =>
        compare(size(subtract(b.billed, b.planned)), size(subtract(a.billed, a.planned))),
      ),
    [machines],
  )
  return (
    <>
      <Table>
        <thead>
          <tr>
            <th scope="col">machine</th>
            <Days scope="col">
              <span>{dates[0]?.slice(8)}</span> hours by day: planned outlined, billed filled{' '}
              <span>{dates.at(-1)?.slice(8)}</span>
            </Days>
            <Amount scope="col">planned</Amount>
            <Amount scope="col">billed</Amount>
            <Amount scope="col">difference</Amount>
          </tr>
        </thead>
        <tbody>
          {sorted.slice(0, shown).map(({ machine, isPlanned, planned, billed, days }) => {
            const difference = shownDifference(billed, planned)
            return (
              <tr key={machine}>
                <Name scope="row">
                  {isPlanned ? (
                    <a {...link({ machine, view: 'ledger' })}>{machine}</a>
                  ) : (
                    <NotPlanned resource={machine} />
                  )}
                </Name>
                <td>
                  <HoursStrip dates={dates} hours={days} until={until} />
                </td>
                <td data-amount>
                  {isPlanned ? formatAmount(roundTo(planned, SHOWN_DECIMALS)) : 'not planned'}
                </td>
                <td data-amount>{formatAmount(roundTo(billed, SHOWN_DECIMALS))}</td>
                <td
                  data-amount
                  data-sign={isZero(difference) ? undefined : difference.n > 0n ? 'more' : 'less'}
                >
                  <QuietButton
                    aria-label={`Rows of ${machine}: ${signedMoney(difference)}`}
                    onPress={() => onRows(machine)}
                  >
                    {signedMoney(difference)}
                  </QuietButton>
                </td>
              </tr>
            )
          })}
        </tbody>
      </Table>
      {sorted.length > shown && (
        <Button onPress={() => setShown(shown + MORE)}>
          {sorted.length - shown} more, which differ less
        </Button>
      )}
    </>
  )
}

const Table = styled.table`
  width: 100%;
  margin-top: 14px;
  border-collapse: collapse;

  th {
    font-weight: 400;
    text-align: left;
  }
  thead th {
    color: var(--ink-2);
    font-size: 12px;
    padding-bottom: 3px;
  }
  tbody tr {
    border-top: 1px solid var(--rule);
  }
  td,
  tbody th {
    padding: 4px 10px 4px 0;
    vertical-align: middle;
  }
  svg {
    display: block;
  }
  td[data-amount] {
    text-align: right;
    white-space: nowrap;
    color: var(--ink-2);
    padding-right: 0;
    padding-left: 10px;
  }
  td[data-sign='more'] {
    color: var(--leak);
    font-weight: 600;
  }
  td[data-sign='less'] {
    color: var(--save);
    font-weight: 600;
  }
  ${media.compact} {
    td:nth-child(2) {
      overflow: hidden;
      max-width: 380px;
    }
  }
  ${media.narrow} {
    th:nth-child(2),
    td:nth-child(2) {
      display: none;
    }
  }
`

const Days = styled.th`
  white-space: nowrap;
`

const Amount = styled.th`
  && {
    text-align: right;
    padding-left: 10px;
  }
`

const Name = styled.th`
  && {
    font-weight: 600;
    overflow-wrap: anywhere;
  }
`
