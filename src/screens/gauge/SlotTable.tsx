'use client'

import styled from 'styled-components'
import type { FitReason } from '../../core/fit/fitReason.ts'
import type { NeedId } from '../../core/fit/needId.ts'
import { closedChoices } from '../../core/notches/closedChoices.ts'
import type { Notch, Plate } from '../../core/notches/plate.ts'
import { isZero } from '../../core/quantity/exact.ts'
import { media } from '../../interface/theme/media'
import { closedText } from '../../wording/closed'
import { formatMoney } from '../../wording/money'
import type { NeedCost } from '../needs/useNeedCosts'
import type { SlotRow } from './slotRows.ts'

interface SlotTableProps {
  readonly plate: Plate
  readonly rows: readonly SlotRow[]
  /** Choices of the slot, of which the rows are the first. */
  readonly count: number
  readonly currency: string
  /** Which row the keys are at. */
  readonly activeRow: number | undefined
  readonly place: SlotPlace
  readonly costOf: (need: NeedId) => NeedCost
  readonly onTake: (notch: Notch) => void
  readonly onList: (closedBy?: FitReason['code']) => void
}

/** Where the table stands: its left, its width, and whether above the plate. */
export interface SlotPlace {
  readonly left: number
  readonly width: number
  readonly isAbove: boolean
}

/**
 * What is in a slot, a row for each choice: its name, what it gives up, the difference a month and the hour; closed ones
 * with their reason. Under them, by what the plate's cheaper and dearer choices are closed. It is drawn for eyes and
 * pointers; keys and screen readers have the same from the plate's slider.
 */
export function SlotTable({
  plate,
  rows,
  count,
  currency,
  activeRow,
  place,
  costOf,
  onTake,
  onList,
}: SlotTableProps) {
  const closed = closedChoices(plate)
  const total = closed.reduce((sum, each) => sum + each.count, 0)
  return (
    <Table
      data-testid="slot-table"
      data-above={place.isAbove || undefined}
      style={{ left: place.left, width: place.width }}
      // The focus stays on the plate's slider, where keys are heard.
      onMouseDown={(event) => event.preventDefault()}
      onClick={(event) => event.stopPropagation()}
      onDoubleClick={(event) => event.stopPropagation()}
    >
      {rows.map(({ notch, name, note, difference, hourly, isClosed }, i) => (
        <Row
          key={notch.key}
          type="button"
          tabIndex={-1}
          disabled={notch.isPresent}
          data-closed={isClosed || undefined}
          data-active={activeRow === i || undefined}
          onClick={() => onTake(notch)}
        >
          <Name>{name}</Name>
          <Note>{note}</Note>
          <Difference data-saves={(notch.difference?.n ?? 0n) < 0n || undefined}>{difference}</Difference>
          <Hourly>{hourly}</Hourly>
        </Row>
      ))}
      <Foot>
        {closed.length > 0 && (
          <span>
            {total} closed:{' '}
            {closed.map(({ code, need, count: some }, i) => (
              <span key={code}>
                {i > 0 && ', '}
                <Reason type="button" tabIndex={-1} onClick={() => onList(code)}>
                  {closedText(code, some)}
                </Reason>
                {need && costText(costOf(need), currency)}
              </span>
            ))}
          </span>
        )}
        <Reason type="button" tabIndex={-1} data-all="" onClick={() => onList()}>
          {count > rows.length ? `${count - rows.length} more here, ` : ''}all {plate.notches.length}
        </Reason>
      </Foot>
    </Table>
  )
}

/** ` (that need costs € 7.99)`, where it costs something. */
function costText(cost: NeedCost, currency: string): string {
  if (cost === 'reckoning' || cost === 'failed' || cost === 'nothing-fits') return ''
  return isZero(cost) ? '' : ` (that need costs ${formatMoney(cost, currency)})`
}

const Table = styled.div`
  position: absolute;
  top: 25px;
  z-index: 2;
  padding: 2px 0;
  border: 1px solid var(--ink);
  background: var(--sheet);
  color: var(--ink);
  cursor: default;

  &[data-above] {
    top: auto;
    bottom: 100%;
  }
  ${media.coarse} {
    top: 44px;
  }
`

const Row = styled.button`
  display: grid;
  grid-template-columns: minmax(104px, auto) minmax(0, 1fr) 62px 70px;
  gap: 10px;
  align-items: baseline;
  width: 100%;
  padding: 4px 10px;
  border: 0;
  border-top: 1px solid var(--rule);
  background: none;
  font-size: 12px;
  text-align: left;
  cursor: pointer;

  &:first-child {
    border-top: 0;
  }
  &:disabled {
    cursor: default;
  }
  &:hover:not(:disabled),
  &[data-active] {
    background: var(--plate);
  }
  &[data-active] {
    outline: 2px solid var(--focus);
    outline-offset: -2px;
  }
  ${media.coarse} {
    min-height: 44px;
  }
`

const Name = styled.b`
  font-weight: 620;

  [data-closed] > & {
    font-weight: 400;
  }
`

const Note = styled.span`
  color: var(--ink-2);

  [data-active] > &,
  :hover > & {
    color: var(--ink);
  }
`

const Difference = styled.b`
  text-align: right;
  font-weight: 620;

  [data-closed] > & {
    font-weight: 400;
    color: var(--ink-2);
  }
  &[data-saves] {
    color: var(--save);
  }
  [data-closed] > &[data-saves] {
    color: var(--ink-2);
  }
`

const Hourly = styled.span`
  text-align: right;
  color: var(--ink-2);

  [data-active] > &,
  :hover > & {
    color: var(--ink);
  }
`

const Foot = styled.div`
  display: flex;
  gap: 4px 12px;
  justify-content: space-between;
  align-items: baseline;
  padding: 5px 10px 4px;
  border-top: 1px solid var(--ink);
  font-size: 12px;
  color: var(--ink-2);
`

const Reason = styled.button`
  padding: 0;
  border: 0;
  background: none;
  color: var(--ink-2);
  text-align: left;
  text-decoration: underline;
  text-underline-offset: 2px;
  cursor: pointer;

  &:hover {
    color: var(--ink);
  }
  &[data-all] {
    margin-left: auto;
    white-space: nowrap;
    color: var(--ink);
  }
  ${media.coarse} {
    min-height: 44px;
  }
`
