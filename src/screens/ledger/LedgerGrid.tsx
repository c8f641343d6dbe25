'use client'

import { useMemo, useState } from 'react'
import styled from 'styled-components'
import { ledgerRow } from '../../core/ledger/ledger.ts'
import type { PlanLedger } from '../../core/ledger/planLedger.ts'
import { unitsToDecimal } from '../../core/quantity/decimal.ts'
import { VisuallyHidden } from '../../interface/VisuallyHidden'
import { RowGrid } from '../../interface/RowGrid'
import { StateSwatch } from '../../interface/StateSwatch'
import { chargeTitle } from '../../wording/charge'
import { STATE_NAMES } from '../../wording/state'
import { useWorkbench } from '../workbench/WorkbenchContext'
import { groupTitle } from './groupTitle.ts'
import { ledgerItems } from './ledgerItems.ts'
import type { Picked } from './picked.ts'
import { rowQuantity, rowStart, rowTimes } from './rowText.ts'
import { sumText } from './sumText.ts'
import { formatNumber, groupDigits } from '../../wording/number'

const ROW_HEIGHT = 26
/** Below this a state is shown by its pattern, with its name for who cannot see it. */
const STATES_FROM = 640

const columnsFor =
  (wholePlan: boolean) =>
  (width: number): string => {
    const machine = wholePlan ? 'minmax(70px, 0.7fr) ' : ''
    const wide = width >= STATES_FROM
    const times = wide ? '170px' : wholePlan ? '84px' : '160px'
    return `${times} ${machine}minmax(80px, 1fr) ${wide ? '100px' : '34px'} 62px 74px`
  }

interface LedgerGridProps {
  readonly answer: PlanLedger
  readonly rows: Uint32Array
  readonly timeZone: string
  readonly picked: Picked | undefined
  readonly onPick: (picked: Picked) => void
}

/** The rows of the ledger under heads that fold. */
export function LedgerGrid({ answer, rows, timeZone, picked, onPick }: LedgerGridProps) {
  const { address } = useWorkbench()
  const { fold, of } = address.ledger
  const { ledger } = answer
  const wholePlan = of === 'plan'
  const [closed, setClosed] = useState<ReadonlySet<string>>(new Set())
  const [active, setActive] = useState<{ readonly of: object; readonly index: number }>()
  // A plan's groups can hold thousands of rows: they start closed, a machine's start open.
  const isOpen = (key: string): boolean => closed.has(`${fold} ${key}`) === wholePlan
  const items = useMemo(
    () => ledgerItems(answer, rows, fold, (key) => closed.has(`${fold} ${key}`) === wholePlan),
    [answer, rows, fold, closed, wholePlan],
  )
  const toggle = (key: string): void => {
    const next = new Set(closed)
    if (!next.delete(`${fold} ${key}`)) next.add(`${fold} ${key}`)
    setClosed(next)
  }
  const activeIndex = active && active.of === answer && active.index < items.count ? active.index : undefined
  return (
    <RowGrid
      label="Charges of the month"
      count={items.count}
      rowHeight={ROW_HEIGHT}
      columns={columnsFor(wholePlan)}
      leastWidth={480}
      active={activeIndex}
      onActive={(index) => {
        setActive({ of: answer, index })
        const { row, group } = items.at(index)
        onPick(
          row === undefined
            ? { of: 'group', title: groupTitle(group, fold, answer), rows: group.rows }
            : { of: 'row', row },
        )
      }}
      onAction={(index) => {
        const item = items.at(index)
        if (item.row === undefined) toggle(item.group.key)
      }}
      whenEmpty="Nothing is charged that passes these filters."
      head={(width) => (
        <>
          <span role="columnheader">{timeZone}</span>
          {wholePlan && <span role="columnheader">Machine</span>}
          <span role="columnheader">Charge</span>
          <span role="columnheader">{width >= STATES_FROM ? 'State' : 'In'}</span>
          <Right role="columnheader">Quantity</Right>
          <Right role="columnheader">{currencies(answer)}</Right>
        </>
      )}
      renderRow={(index, width) => {
        const item = items.at(index)
        if (item.row === undefined) {
          const open = isOpen(item.group.key)
          return (
            <Head role="gridcell" aria-expanded={open} aria-colspan={wholePlan ? 6 : 5}>
              <span aria-hidden="true">{open ? '▾' : '▸'}</span>
              {groupTitle(item.group, fold, answer)}
              <Count>
                {formatNumber(item.group.rows.length)} {item.group.rows.length === 1 ? 'charge' : 'charges'}
              </Count>
              <Sum>{sumText(item.group.sums, ledger)}</Sum>
            </Head>
          )
        }
        const row = ledgerRow(ledger, item.row)
        const { charge, machine } = row.line
        return (
          <>
            <Cell role="gridcell" title={rowTimes(row, timeZone)}>
              {wholePlan && width < STATES_FROM ? rowStart(row, timeZone) : rowTimes(row, timeZone)}
            </Cell>
            {wholePlan && <Cell role="gridcell">{ledger.machines[machine]!.name}</Cell>}
            <Cell role="gridcell">{chargeTitle(charge)}</Cell>
            <State role="gridcell" title={STATE_NAMES[row.state]}>
              <StateSwatch state={row.state} />
              {width >= STATES_FROM ? (
                STATE_NAMES[row.state]
              ) : (
                <VisuallyHidden>{STATE_NAMES[row.state]}</VisuallyHidden>
              )}
            </State>
            <Right role="gridcell">{rowQuantity(row)}</Right>
            <Amount role="gridcell" $picked={picked?.of === 'row' && item.row === picked.row}>
              {groupDigits(unitsToDecimal(BigInt(row.shown), ledger.decimals))}
            </Amount>
          </>
        )
      }}
    />
  )
}

const currencies = ({ ledger }: PlanLedger): string =>
  [...new Set(ledger.machines.map(({ currency }) => currency))].join(', ')

const Cell = styled.span`
  overflow: hidden;
  text-overflow: ellipsis;
  white-space: nowrap;
`

const State = styled(Cell)`
  display: flex;
  gap: 6px;
  align-items: center;
  color: var(--ink-2);
  [aria-selected='true'] > & {
    color: var(--ink);
  }
`

const Right = styled(Cell)`
  text-align: right;
`

const Amount = styled(Right)<{ readonly $picked: boolean }>`
  font-weight: ${({ $picked }) => ($picked ? 660 : 560)};
`

const Head = styled.span`
  grid-column: 1 / -1;
  align-self: stretch;
  align-content: center;
  margin: 0 -10px;
  padding: 0 10px;
  background: var(--paper);
  [aria-selected='true'] > & {
    background: none;
  }
  display: flex;
  gap: 8px;
  align-items: center;
  font-weight: 600;
`

const Count = styled.span`
  font-weight: 400;
  font-size: 12px;
  color: var(--ink-2);
  [aria-selected='true'] & {
    color: var(--ink);
  }
`

const Sum = styled.span`
  margin-left: auto;
`
