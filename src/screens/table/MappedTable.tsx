'use client'

import type { ReactNode } from 'react'
import styled from 'styled-components'
import { VisuallyHidden } from '../../interface/VisuallyHidden'
import { formatNumber } from '../../wording/number'
import { ColumnHead, type HeadedColumn } from './ColumnHead'

interface MappedCell {
  readonly text: string
  /** What it became, where that is not what is written. */
  readonly became?: string | undefined
  /** Why it could not be read. */
  readonly fault?: string | undefined
  /** In which it can be mended, instead of its text. */
  readonly mend?: ReactNode
}

export interface MappedRow {
  /** Counted from 1, as in the file. */
  readonly row: number
  readonly cells: readonly MappedCell[]
  readonly isUsed: boolean
  /** Why it is left out. */
  readonly why?: string | undefined
  /** What the whole row became, or why not. */
  readonly became?: ReactNode
}

interface MappedTableProps {
  /** Where other parts stand below it, as in a dialog. */
  readonly isLow?: boolean
  /** Of the region that scrolls. */
  readonly label: string
  readonly columns: readonly HeadedColumn[]
  readonly rows: readonly MappedRow[]
  /** The heading over what rows became; absent where they say none of it. */
  readonly becomes?: string
}

/** Rows of a file under what each column is taken for: what cells became stands beside them, and which could not be read. */
export function MappedTable({ label, columns, rows, becomes, isLow = false }: MappedTableProps) {
  return (
    <Scroll $low={isLow} tabIndex={0} role="region" aria-label={label}>
      <table>
        <thead>
          <tr>
            <td />
            {becomes !== undefined && <td />}
            {columns.map((each, i) => (
              // Headings may repeat.
              <td key={`${each.column} ${i}`} data-used={each.role !== undefined || undefined}>
                <ColumnHead {...each} />
              </td>
            ))}
          </tr>
          <tr>
            <th scope="col">row</th>
            {becomes !== undefined && <th scope="col">{becomes}</th>}
            {columns.map(({ column, isFigure }, i) => (
              <th key={`${column} ${i}`} scope="col" data-figure={isFigure || undefined}>
                {column}
              </th>
            ))}
          </tr>
        </thead>
        <tbody>
          {rows.map(({ row, cells, isUsed, why, became }) => (
            <Row key={row} $used={isUsed} title={why}>
              <th scope="row">{formatNumber(row)}</th>
              {becomes !== undefined && <td data-whole>{became}</td>}
              {cells.map(({ text, became: own, fault, mend }, i) => (
                <td
                  key={i}
                  data-fault={fault !== undefined || undefined}
                  data-figure={columns[i]?.isFigure || undefined}
                >
                  {mend ?? <span data-text>{text}</span>}
                  {own !== undefined && (
                    <small>
                      <VisuallyHidden>, read as </VisuallyHidden>
                      {own}
                    </small>
                  )}
                  {fault !== undefined && <VisuallyHidden>: {fault}</VisuallyHidden>}
                </td>
              ))}
            </Row>
          ))}
        </tbody>
      </table>
    </Scroll>
  )
}

const Scroll = styled.div<{ readonly $low: boolean }>`
  max-height: ${({ $low }) => ($low ? '300px' : 'min(62vh, 640px)')};
  overflow: auto;
  margin-top: 6px;
  border: 1px solid var(--rule);

  table {
    min-width: 100%;
    border-collapse: separate;
    border-spacing: 0;
    font-size: 12px;
  }
  th,
  td {
    padding: 2px 8px;
    text-align: left;
    font-weight: 400;
    white-space: nowrap;
    border-right: 1px solid var(--rule);
    vertical-align: top;
  }
  thead {
    position: sticky;
    top: 0;
    z-index: 1;
    background: var(--paper);
  }
  thead td {
    height: 100%;
    padding: 0;
    border-bottom: 1px solid var(--rule);
  }
  thead td[data-used] {
    background: var(--plate);
  }
  thead th {
    font-weight: 600;
    border-bottom: 1px solid var(--ink-3);
  }
  tbody th,
  tbody td {
    border-bottom: 1px solid var(--rule);
  }
  tbody th {
    color: var(--ink-3);
  }
  [data-figure] {
    text-align: right;
  }
`

const Row = styled.tr<{ readonly $used: boolean }>`
  td > span[data-text] {
    color: ${({ $used }) => ($used ? 'inherit' : 'var(--ink-3)')};
    text-decoration: ${({ $used }) => ($used ? 'none' : 'line-through')};
  }
  td[data-whole] {
    max-width: 300px;
  }
  td[data-fault] {
    color: var(--leak);
    box-shadow: inset 3px 0 0 var(--leak);
  }
  && small {
    margin-left: 8px;
    font-size: 11.5px;
    color: var(--save);
  }
`
