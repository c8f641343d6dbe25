'use client'

import { useMemo } from 'react'
import styled from 'styled-components'
import { meaningsOf } from '../../core/pricelist/compileMapping.ts'
import type { ListField, ListMapping, RowMeaning } from '../../core/pricelist/listMapping.ts'
import { ToggleRow } from '../../interface/ToggleRow'
import { VisuallyHidden } from '../../interface/VisuallyHidden'
import { leftOutText, PERIOD_NAMES } from '../../wording/list'
import { ColumnHead } from './ColumnHead'
import type { MappingEdit } from './useMapping.ts'
import { formatNumber } from '../../wording/number'

/** Rows of the list, spread over it, under what each column is taken for; left out ones are struck out, and cells that fail are marked. */
export function ListRows({ edit }: { readonly edit: MappingEdit }) {
  const { reading, table, mapping, meaning, lookAtTable } = edit
  const { leftOut, rows, used, proofs, tables } = reading
  const { columns, sample, name } = table
  const others = useMemo(() => otherRoles(mapping, name), [mapping, name])
  return (
    <Part aria-label="The list">
      <h2>
        The list <small>press above a column to say what it is; struck out: left out</small>
      </h2>
      {tables.length > 1 && (
        <ToggleRow
          label="Tables of the list"
          mode="one"
          options={tables.map(({ name: id, role, rows: count }) => ({
            id,
            label: `${id}: ${formatNumber(count)} rows${role === 'unused' ? ', not used' : role === 'partner' ? ', looked up' : ''}`,
          }))}
          chosen={[name]}
          onChange={([id]) => id !== undefined && lookAtTable(id)}
        />
      )}
      <Scroll tabIndex={0} role="group" aria-label="Rows of the list">
        <table>
          <thead>
            <tr>
              <th scope="col">row</th>
              {columns.map((column) => (
                <th key={column} scope="col">
                  {table.role === 'prices' && (
                    <ColumnHead column={column} otherwise={others.get(column) ?? []} edit={edit} />
                  )}
                  {table.role !== 'prices' && <Role>{others.get(column)?.join(', ') ?? 'not used'}</Role>}
                  {column}
                </th>
              ))}
            </tr>
          </thead>
          <tbody>
            {sample.map(({ row, cells, isUsed, leftOut: why }) => {
              const fault =
                why?.why === 'unreadable' ? faultColumn(why.field, meaning, why.text, cells, columns) : -1
              return (
                <Row key={row} $used={isUsed || table.role !== 'prices'} title={why && leftOutText(why)}>
                  <th scope="row">{formatNumber(row)}</th>
                  {cells.map((cell, i) => (
                    <td key={columns[i]} data-fault={i === fault || undefined}>
                      {cell}
                      {i === fault && why && <VisuallyHidden>: {leftOutText(why)}</VisuallyHidden>}
                    </td>
                  ))}
                </Row>
              )
            })}
          </tbody>
        </table>
      </Scroll>
      <p>
        {formatNumber(used)} of {formatNumber(rows)} rows used
        {leftOut.map(({ leftOut: why, rows: count, examples, table: where }) => (
          <span key={`${where ?? ''} ${leftOutText(why)}`}>
            {' · '}
            <Why $fault={why.why === 'unreadable'} title={`rows ${examples.slice(0, 8).join(', ')}`}>
              {formatNumber(count)} {leftOutText(why)}
              {why.why !== 'filtered' &&
                why.why !== 'empty' &&
                `, row ${examples[0]!}${where === undefined ? '' : ` of ${where}`}`}
            </Why>
          </span>
        ))}
      </p>
      <h2>
        Proof <small>figures of the book beside the cells that they came from</small>
      </h2>
      <Proofs>
        {proofs.map(({ size, vcpu, memoryGiB, place, price, period, from }) => (
          <li key={`${size} ${place}`}>
            <b>{size}</b>
            <span>
              {place}, {vcpu} vCPU, {Math.round(memoryGiB * 100) / 100} GiB
            </span>
            <span>
              {price} {PERIOD_NAMES[period]}
            </span>
            <small>
              {from.table !== undefined && `${from.table}, `}row {formatNumber(from.row)}, {from.column} “
              {from.text}”
            </small>
          </li>
        ))}
      </Proofs>
    </Part>
  )
}

/** What columns are read for beside the fields of a row. */
function otherRoles(mapping: ListMapping, table: string): ReadonlyMap<string, string[]> {
  const roles = new Map<string, string[]>()
  const note = (column: string, role: string): void => {
    const known = roles.get(column) ?? []
    if (!known.includes(role)) roles.set(column, [...known, role])
  }
  for (const { only } of meaningsOf(mapping, table)) for (const { column } of only) note(column, 'filter')
  for (const join of mapping.joins ?? []) {
    if (join.table === table) note(join.column, `found in ${join.with}`)
    if (join.with === table) note(join.key, 'key')
  }
  return roles
}

/** Where the cell stands that could not be read: by its field's column, else by what it reads. */
function faultColumn(
  field: ListField,
  { fields }: RowMeaning,
  text: string,
  cells: readonly string[],
  columns: readonly string[],
): number {
  const source = fields[field]
  if (source?.from === 'column') return columns.indexOf(source.column)
  return text === '' ? -1 : cells.findIndex((cell) => cell.trim() === text)
}

const Part = styled.section`
  min-width: 0;
  overflow: auto;
  padding: 12px 16px 20px;
  background: var(--sheet);

  & > p {
    margin: 6px 0 14px;
    font-size: 12px;
    color: var(--ink-2);
  }
  small {
    font-weight: 400;
    color: var(--ink-2);
  }
`

const Scroll = styled.div`
  max-height: 46vh;
  overflow: auto;
  margin-top: 6px;
  border: 1px solid var(--rule);

  table {
    border-collapse: collapse;
    font-size: 12px;
  }
  th,
  td {
    padding: 2px 8px;
    text-align: left;
    font-weight: 400;
    white-space: nowrap;
    border-right: 1px solid var(--rule);
  }
  thead th {
    position: sticky;
    top: 0;
    background: var(--paper);
    font-weight: 600;
    vertical-align: bottom;
  }
  tbody tr {
    border-top: 1px solid var(--rule);
  }
`

const Role = styled.span`
  display: block;
  font-size: 11px;
  font-weight: 400;
  color: var(--ink-2);
`

const Row = styled.tr<{ readonly $used: boolean }>`
  td {
    color: ${({ $used }) => ($used ? 'inherit' : 'var(--ink-3)')};
    text-decoration: ${({ $used }) => ($used ? 'none' : 'line-through')};
  }
  td[data-fault] {
    color: var(--leak);
    box-shadow: inset 3px 0 0 var(--leak);
  }
`

const Why = styled.span<{ readonly $fault: boolean }>`
  color: ${({ $fault }) => ($fault ? 'var(--leak)' : 'inherit')};
`

const Proofs = styled.ul`
  font-size: 12px;

  li {
    display: flex;
    flex-wrap: wrap;
    gap: 2px 10px;
    padding: 3px 0;
    border-top: 1px solid var(--rule);
  }
  small {
    margin-left: auto;
  }
`
