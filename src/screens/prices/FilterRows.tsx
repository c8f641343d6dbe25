'use client'

import styled from 'styled-components'
import type { ColumnFilter } from '../../core/pricelist/listMapping.ts'
import type { TableReading } from '../../files/pricelist/listAnswer.ts'
import { QuietButton } from '../../interface/Button'
import { Dropdown } from '../../interface/Dropdown'
import { AssumedMark } from './AssumedMark'

interface FilterRowsProps {
  readonly filters: readonly ColumnFilter[]
  /** Columns with few different texts, and these. */
  readonly values: TableReading['values']
  readonly isUnsure: boolean
  readonly onConfirm: () => void
  readonly onChange: (filters: readonly ColumnFilter[]) => void
}

/** Only rows in which columns read certain texts: one system, one plan. */
export function FilterRows({ filters, values, isUnsure, onConfirm, onChange }: FilterRowsProps) {
  const offered = values.filter(
    ([column, texts]) => texts.length > 1 && filters.every((filter) => filter.column !== column),
  )
  return (
    <Part>
      <span>only rows with</span>
      <div>
        {filters.map(({ column, values: wanted }, i) => {
          const texts = values.find(([each]) => each === column)?.[1] ?? wanted
          return (
            <Filter key={column}>
              {column} =
              <Dropdown
                label={`Wanted text of ${column}`}
                value={wanted[0] ?? ''}
                options={texts.map((text) => ({ id: text, name: text === '' ? 'empty' : text }))}
                onChange={(text) =>
                  onChange(filters.map((filter, j) => (j === i ? { column, values: [text] } : filter)))
                }
              />
              <QuietButton
                aria-label={`Take rows with any ${column}`}
                onPress={() => onChange(filters.filter((_, j) => j !== i))}
              >
                ×
              </QuietButton>
            </Filter>
          )
        })}
        {offered.length > 0 && (
          <Dropdown
            label="Filter by another column"
            value={filters.length === 0 ? 'all rows' : 'and …'}
            options={offered.map(([column]) => ({ id: column, name: column }))}
            onChange={(column) => {
              const [, texts] = offered.find(([each]) => each === column)!
              onChange([...filters, { column, values: [texts[0]!] }])
            }}
          />
        )}
        {isUnsure && <AssumedMark what="Only these rows" onConfirm={onConfirm} />}
      </div>
    </Part>
  )
}

const Part = styled.div`
  display: grid;
  grid-template-columns: 78px minmax(0, 1fr);
  gap: 2px 8px;
  padding: 3px 0;
  border-top: 1px solid var(--rule);

  & > span {
    padding-top: 5px;
    font-size: 12px;
    color: var(--ink-2);
  }
  & > div {
    display: flex;
    flex-wrap: wrap;
    gap: 3px 8px;
    align-items: center;
  }
`

const Filter = styled.span`
  display: inline-flex;
  gap: 4px;
  align-items: center;
`
