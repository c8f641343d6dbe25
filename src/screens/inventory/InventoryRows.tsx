'use client'

import styled from 'styled-components'
import {
  INVENTORY_FIELDS,
  type InventoryField,
  type InventoryMapping,
} from '../../files/inventory/inventoryFields.ts'
import type { InventoryRow } from '../../files/inventory/inventory.ts'
import type { InventoryTable } from '../../files/inventory/inventoryTable.ts'
import { TextInput } from '../../interface/TextInput'
import { MappedTable, type MappedRow } from '../table/MappedTable'
import { RoleList } from '../table/RoleList'
import { FIELD_NAMES } from './fieldNames.ts'
import type { TableSettings } from './tableSettings.ts'

const NOT_USED = 'not used'
/** Rows beyond these are counted: nobody fixes hundreds by hand. */
const MOST_BAD = 60
const MOST_GOOD = 12

interface InventoryRowsProps {
  readonly table: InventoryTable
  readonly mapping: InventoryMapping
  readonly settings: Pick<TableSettings, 'unit'>
  /** Undefined until the columns say enough. */
  readonly rows: readonly InventoryRow[] | undefined
  readonly onChange: (mapping: InventoryMapping) => void
  readonly onMend: (row: number, column: number, text: string) => void
}

/** Rows of the table under what each column holds: those first that cannot be read, to be fixed in their cells. */
export function InventoryRows({ table, mapping, settings, rows, onChange, onMend }: InventoryRowsProps) {
  const bad = rows?.filter(({ machine }) => !machine) ?? []
  const good = rows?.filter(({ machine }) => machine) ?? []
  const unread = rows ? [] : table.rows.slice(0, MOST_GOOD).map((_, at) => at)
  const shown = [
    ...[...bad.slice(0, MOST_BAD), ...good.slice(0, MOST_GOOD)].map((row) =>
      rowOf(row, table, mapping, onMend),
    ),
    ...unread.map((at) => plainRow(at, table)),
  ]
  return (
    <>
      <MappedTable
        label="Rows of the table"
        becomes="becomes"
        columns={table.columns.map((column, at) => ({
          column,
          ...roleOf(mapping[at], settings.unit),
          editor: (close) => (
            <RoleList
              label={`What ${column} is`}
              chosen={mapping[at] ?? NOT_USED}
              options={[
                ...INVENTORY_FIELDS.map((id) => ({ id, name: FIELD_NAMES[id] })),
                { id: NOT_USED, name: NOT_USED },
              ]}
              onChange={(id) => {
                onChange(
                  table.columns.map((_, i) =>
                    i === at ? INVENTORY_FIELDS.find((field) => field === id) : mapping[i],
                  ),
                )
                close()
              }}
            />
          ),
        }))}
        rows={shown}
        isLow
      />
      {bad.length > MOST_BAD && <p>and {bad.length - MOST_BAD} more rows that cannot be read</p>}
      {good.length > MOST_GOOD && <p>and {good.length - MOST_GOOD} more rows that can</p>}
    </>
  )
}

const ROOMS: ReadonlySet<InventoryField> = new Set(['memory', 'disk-room', 'data-disk-room'])

function roleOf(field: InventoryField | undefined, unit: TableSettings['unit']) {
  if (field === undefined) return {}
  const isRoom = ROOMS.has(field)
  return {
    role: FIELD_NAMES[field],
    ...(isRoom && { details: unit }),
    isFigure: isRoom || field === 'vcpu',
  }
}

/** The heading is row 1. */
const rowNumber = (at: number): number => at + 2

const plainRow = (at: number, { rows }: InventoryTable): MappedRow => ({
  row: rowNumber(at),
  isUsed: true,
  cells: rows[at]!.map((text) => ({ text })),
})

function rowOf(
  { at, machine, problems }: InventoryRow,
  { columns, rows }: InventoryTable,
  mapping: InventoryMapping,
  onMend: InventoryRowsProps['onMend'],
): MappedRow {
  const isAt = (column: number): boolean =>
    mapping[column] !== undefined &&
    problems.some((problem) => problem.column === column || problem.column === undefined)
  const said = problems.map(({ problem }) => problem).join(' ')
  return {
    row: rowNumber(at),
    isUsed: true,
    became: machine ? `${machine.size}, ${machine.region}` : <Problem>{said}</Problem>,
    cells: columns.map((name, column) => {
      const text = rows[at]![column] ?? ''
      if (machine || !isAt(column)) return { text }
      return {
        text,
        fault: said,
        mend: (
          <TextInput
            label={`${name} in line ${rowNumber(at)}`}
            value={text}
            check={() => undefined}
            onCommit={(next) => onMend(at, column, next)}
          />
        ),
      }
    }),
  }
}

const Problem = styled.span`
  display: block;
  min-width: 220px;
  white-space: normal;
  color: var(--leak);
`
