'use client'

import styled from 'styled-components'
import type { AskedSize } from '../../files/inventory/inventory.ts'
import { Dropdown } from '../../interface/Dropdown'

interface AskedSizesProps {
  readonly sizes: readonly AskedSize[]
  readonly confirmed: ReadonlyMap<string, string>
  readonly onConfirm: (key: string, size: string) => void
}

/** Sizes that the price book does not know by name: the nearest that has as much stands in, until another is chosen. */
export const AskedSizes = ({ sizes, confirmed, onConfirm }: AskedSizesProps) => (
  <section aria-label="Sizes to confirm">
    <h3>Sizes to confirm</h3>
    <List>
      {sizes.map(({ key, text, provider, candidates, rows }) => (
        <li key={key}>
          <span>
            {text}{' '}
            <small>
              {rows === 1 ? '1 row' : `${rows} rows`}, {provider}
            </small>
          </span>
          {candidates.length === 0 ? (
            <b>nothing there has as much</b>
          ) : (
            <Dropdown
              label={`Size for ${text}`}
              value={confirmed.get(key) ?? candidates[0]!.id}
              options={candidates}
              onChange={(id) => onConfirm(key, id)}
            />
          )}
        </li>
      ))}
    </List>
  </section>
)

const List = styled.ul`
  max-height: 180px;
  overflow: auto;

  li {
    display: flex;
    justify-content: space-between;
    gap: 12px;
    align-items: baseline;
    padding: 3px 0;
    border-top: 1px solid var(--rule);
  }
  small {
    font-size: 12px;
    color: var(--ink-2);
  }
  b {
    font-weight: 400;
    color: var(--leak);
  }
`
