'use client'

import { useState } from 'react'
import styled from 'styled-components'
import type { PriceColumn } from '../../core/pricelist/listMapping.ts'
import { Button } from '../../interface/Button'
import { Dialog } from '../../interface/Dialog'
import { TextInput } from '../../interface/TextInput'
import { Tick } from '../../interface/Tick'
import type { MappingEdit } from './useMapping.ts'

const SAYS = ['place', 'term', 'system'] as const
const MOST_LETTERS = 160

interface PriceColumnsDialogProps {
  readonly edit: MappingEdit
  readonly onClose: () => void
}

/** A wide table: which of its columns hold prices, and what each says of them. */
export function PriceColumnsDialog({ edit, onClose }: PriceColumnsDialogProps) {
  const { meaning, table, setMeaning } = edit
  const [prices, setPrices] = useState<readonly PriceColumn[]>(meaning.prices ?? [])
  const put = (column: string, next: PriceColumn | undefined): void => {
    const others = prices.filter((each) => each.column !== column)
    const all = next ? [...others, next] : others
    // In the order of the table.
    setPrices(table.columns.flatMap((name) => all.find((each) => each.column === name) ?? []))
  }
  const use = (): void => {
    const { prices: _, ...others } = meaning
    setMeaning(prices.length === 0 ? others : { ...others, prices }, 'prices')
    onClose()
  }
  return (
    <Dialog title="Columns of prices" isOpen wide onClose={onClose}>
      <p>Each column that holds prices, and what its heading says of them.</p>
      <Scroll>
        <table>
          <thead>
            <tr>
              <th scope="col">column</th>
              {SAYS.map((what) => (
                <th key={what} scope="col">
                  {what === 'term' ? 'terms' : what}
                </th>
              ))}
            </tr>
          </thead>
          <tbody>
            {table.columns.map((column) => {
              const own = prices.find((each) => each.column === column)
              return (
                <tr key={column}>
                  <th scope="row">
                    <Tick
                      label={column}
                      checked={!!own}
                      onChange={(isPrice) => put(column, isPrice ? { column, place: column } : undefined)}
                    />
                  </th>
                  {SAYS.map((what) => (
                    <td key={what}>
                      {own && (
                        <TextInput
                          label={`${what} of ${column}`}
                          value={own[what] ?? ''}
                          whenEmpty="said elsewhere"
                          check={(text) =>
                            text.length > MOST_LETTERS ? `At most ${MOST_LETTERS} letters.` : undefined
                          }
                          onCommit={(text) => {
                            const { [what]: _, ...others } = own
                            put(column, text.trim() === '' ? others : { ...others, [what]: text.trim() })
                          }}
                        />
                      )}
                    </td>
                  ))}
                </tr>
              )
            })}
          </tbody>
        </table>
      </Scroll>
      <Actions>
        <Button onPress={onClose}>Leave as it was</Button>
        <Button onPress={use}>
          {prices.length === 0 ? 'One column holds the price' : 'Use these columns'}
        </Button>
      </Actions>
    </Dialog>
  )
}

const Scroll = styled.div`
  max-height: 56vh;
  overflow: auto;
  margin: 8px 0;

  table {
    border-collapse: collapse;
    width: 100%;
  }
  th,
  td {
    padding: 3px 8px 3px 0;
    text-align: left;
    font-weight: 400;
    border-bottom: 1px solid var(--rule);
  }
  thead th {
    color: var(--ink-2);
    font-size: 12px;
  }
`

const Actions = styled.div`
  display: flex;
  gap: 8px;
  justify-content: flex-end;
`
