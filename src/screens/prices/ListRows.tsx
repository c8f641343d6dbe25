'use client'

import { useMemo } from 'react'
import styled from 'styled-components'
import { cellBecame } from '../../core/pricelist/cellBecame.ts'
import { fieldsOf } from '../../core/pricelist/columnRole.ts'
import { meaningsOf } from '../../core/pricelist/compileMapping.ts'
import type { ListField, ListMapping, MappingQuestion, RowMeaning } from '../../core/pricelist/listMapping.ts'
import { ToggleRow } from '../../interface/ToggleRow'
import { columnUnitText, leftOutText, LIST_FIELD_NAMES, PERIOD_NAMES } from '../../wording/list'
import type { HeadedColumn } from '../table/ColumnHead'
import { MappedTable, type MappedRow } from '../table/MappedTable'
import { columnQuestions } from './columnQuestions.ts'
import { ListColumnEditor } from './ListColumnEditor'
import type { MappingEdit } from './useMapping.ts'
import { formatNumber } from '../../wording/number'

/** Rows of the list, spread over it, under what each column is taken for; left out ones are struck out, and cells that fail are marked. */
export function ListRows({ edit }: { readonly edit: MappingEdit }) {
  const { reading, table, mapping, meaning, lookAtTable } = edit
  const { leftOut, rows, used, proofs, tables } = reading
  const { columns, sample, name } = table
  const others = useMemo(() => otherRoles(mapping, name), [mapping, name])
  const heads = columns.map((column) => headOf(column, others.get(column) ?? [], edit))
  const roles = columns.map((column) => rolesOf(meaning, column))
  const shown = sample.map(({ row, cells, entries, leftOut: why }): MappedRow => {
    const at = why?.why === 'unreadable' ? faultColumn(why.field, meaning, why.text, cells, columns) : -1
    const fault = why && leftOutText(why)
    return {
      row,
      isUsed: entries.length > 0 || table.role !== 'prices',
      why: fault,
      cells: cells.map((text, i) => ({
        text,
        became: cellBecame(entries, columns[i]!, roles[i]!, text),
        ...(i === at && { fault }),
      })),
    }
  })
  return (
    <Part aria-label="The list">
      <h2>
        The list <small>press a column’s head to change it; green: as read; struck through: left out</small>
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
      <MappedTable label="Rows of the list" columns={heads} rows={shown} />
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

const rolesOf = (meaning: RowMeaning, column: string): readonly ListField[] => {
  const fields = fieldsOf(meaning, column)
  return meaning.prices?.some((each) => each.column === column) ? [...fields, 'price'] : fields
}

const FIGURES: ReadonlySet<ListField> = new Set([
  'vcpu',
  'memory',
  'price',
  'upFront',
  'room',
  'bandFrom',
  'bandUpTo',
])

/** What stands above a column: its fields, how they are counted, what its heading says of them, and what else it is read for. */
function headOf(column: string, otherwise: readonly string[], edit: MappingEdit): HeadedColumn {
  const { meaning, mapping, units, unsure, table } = edit
  if (table.role !== 'prices') return { column, ...(otherwise.length > 0 && { role: otherwise.join(', ') }) }
  const roles = rolesOf(meaning, column)
  const across = meaning.prices?.find((each) => each.column === column)
  const said = across ? [across.place, across.term, across.system].filter((each) => each) : []
  const counted = roles.flatMap((field) => columnUnitText(field, units, mapping.currency) ?? [])
  const asked: readonly MappingQuestion[] = [
    ...roles.map((field) => `field/${field}` as const),
    ...columnQuestions(roles, meaning.is),
    ...(roles.includes('price') ? (['currency', 'prices'] as const) : []),
  ]
  return {
    column,
    ...(roles.length > 0 && { role: roles.map((field) => LIST_FIELD_NAMES[field]).join(', ') }),
    details: [...said, ...counted, ...otherwise].join(', '),
    isFigure: roles.some((field) => FIGURES.has(field)),
    isAssumed: roles.length > 0 && asked.some((question) => unsure.includes(question)),
    editor: () => <ListColumnEditor column={column} edit={edit} />,
  }
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
