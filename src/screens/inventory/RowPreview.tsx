'use client'

import styled from 'styled-components'
import type { InventoryMapping } from '../../files/inventory/inventoryFields.ts'
import type { InventoryTable } from '../../files/inventory/inventoryTable.ts'
import type { InventoryRow } from '../../files/inventory/inventory.ts'
import { TextInput } from '../../interface/TextInput'

interface RowPreviewProps {
  readonly table: InventoryTable
  readonly mapping: InventoryMapping
  readonly rows: readonly InventoryRow[]
  readonly onMend: (row: number, column: number, text: string) => void
}

/** Rows beyond these are counted: nobody mends hundreds by hand. */
const MOST_BAD = 60
const MOST_GOOD = 8

/** Rows that cannot be read, to be mended in place, and the first of those that can. */
export function RowPreview({ table, mapping, rows, onMend }: RowPreviewProps) {
  const used = mapping.flatMap((field, column) => (field ? [column] : []))
  const bad = rows.filter(({ machine }) => !machine)
  const good = rows.filter(({ machine }) => machine)
  const shown = [...bad.slice(0, MOST_BAD), ...good.slice(0, MOST_GOOD)]
  return (
    <Scroll tabIndex={0} role="region" aria-label="Rows of the table">
      <table>
        <thead>
          <tr>
            <th scope="col">line</th>
            <th scope="col">becomes</th>
            {used.map((column) => (
              <th scope="col" key={column}>
                {table.columns[column]}
              </th>
            ))}
          </tr>
        </thead>
        <tbody>
          {shown.map(({ at, machine, problems }) => (
            <tr key={at} data-bad={machine ? undefined : true}>
              <th scope="row">{at + 2}</th>
              <td>
                {machine ? (
                  `${machine.size}, ${machine.region}`
                ) : (
                  <Problems>{problems.map(({ problem }) => problem).join(' ')}</Problems>
                )}
              </td>
              {used.map((column) => {
                const cell = table.rows[at]![column]!
                return (
                  <td key={column}>
                    {problems.some((problem) => problem.column === column || problem.column === undefined) ? (
                      <TextInput
                        label={`${table.columns[column]} in line ${at + 2}`}
                        value={cell}
                        check={() => undefined}
                        onCommit={(text) => onMend(at, column, text)}
                      />
                    ) : (
                      cell
                    )}
                  </td>
                )
              })}
            </tr>
          ))}
        </tbody>
      </table>
      {bad.length > MOST_BAD && <p>and {bad.length - MOST_BAD} more rows that cannot be read</p>}
      {good.length > MOST_GOOD && <p>and {good.length - MOST_GOOD} more rows that can</p>}
    </Scroll>
  )
}

const Scroll = styled.div`
  max-height: 280px;
  overflow: auto;
  font-size: 12px;

  table {
    border-collapse: collapse;
  }
  th,
  td {
    padding: 2px 12px 2px 0;
    text-align: left;
    font-weight: 400;
    vertical-align: top;
    white-space: nowrap;
  }
  thead th {
    position: sticky;
    top: 0;
    background: var(--sheet);
    color: var(--ink-2);
  }
  tbody tr {
    border-top: 1px solid var(--rule);
  }
`

const Problems = styled.span`
  display: block;
  min-width: 220px;
  white-space: normal;
  color: var(--leak);
`
