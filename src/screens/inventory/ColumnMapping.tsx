'use client'

import styled from 'styled-components'
import {
  INVENTORY_FIELDS,
  type InventoryField,
  type InventoryMapping,
} from '../../files/inventory/inventoryFields.ts'
import type { InventoryTable } from '../../files/inventory/inventoryTable.ts'
import { Dropdown } from '../../interface/Dropdown'
import { FIELD_NAMES } from './fieldNames.ts'

const SAMPLES = 3

interface ColumnMappingProps {
  readonly table: InventoryTable
  readonly mapping: InventoryMapping
  readonly onChange: (mapping: InventoryMapping) => void
}

/** What each column holds, with the first of its cells beside. */
export function ColumnMapping({ table, mapping, onChange }: ColumnMappingProps) {
  return (
    <Scroll>
      <table>
        <thead>
          <tr>
            <th scope="col">column</th>
            <th scope="col">holds</th>
            <th scope="col">such as</th>
          </tr>
        </thead>
        <tbody>
          {table.columns.map((column, at) => (
            <tr key={`${column} ${at}`}>
              <th scope="row">{column}</th>
              <td>
                <Dropdown
                  label={`What ${column} holds`}
                  value={mapping[at] ?? 'none'}
                  options={[
                    { id: 'none', name: 'is left out' },
                    ...INVENTORY_FIELDS.map((id) => ({ id, name: FIELD_NAMES[id] })),
                  ]}
                  onChange={(field) =>
                    onChange(
                      table.columns.map((_, i) =>
                        i === at ? (field === 'none' ? undefined : (field as InventoryField)) : mapping[i],
                      ),
                    )
                  }
                />
              </td>
              <td>
                {table.rows
                  .slice(0, SAMPLES)
                  .map((row) => row[at])
                  .filter(Boolean)
                  .join(' · ')}
              </td>
            </tr>
          ))}
        </tbody>
      </table>
    </Scroll>
  )
}

const Scroll = styled.div`
  max-height: 230px;
  overflow: auto;
  border-block: 1px solid var(--rule);

  table {
    width: 100%;
    border-collapse: collapse;
  }
  th,
  td {
    padding: 2px 14px 2px 0;
    text-align: left;
    font-weight: 400;
  }
  thead th {
    font-size: 12px;
    color: var(--ink-2);
  }
  td:last-child {
    color: var(--ink-2);
    max-width: 260px;
    overflow: hidden;
    text-overflow: ellipsis;
    white-space: nowrap;
  }
`
