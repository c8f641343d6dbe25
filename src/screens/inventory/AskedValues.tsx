'use client'

import styled from 'styled-components'
import type { AskedValue } from '../../files/inventory/inventory.ts'
import { Dropdown } from '../../interface/Dropdown'
import { FIELD_NAMES } from './fieldNames.ts'

interface AskedValuesProps {
  readonly values: readonly AskedValue[]
  readonly meant: ReadonlyMap<string, string>
  readonly onMean: (key: string, id: string) => void
}

/** Words of the table that name nothing there is: what each means, once for all its rows. */
export const AskedValues = ({ values, meant, onMean }: AskedValuesProps) => (
  <section aria-label="Words to confirm">
    <h3>Words to confirm</h3>
    <List>
      {values.map(({ key, field, text, provider, options, proposed, rows }) => {
        const said = meant.get(key)
        const value = options.some(({ id }) => id === said) ? said : proposed
        return (
          <li key={key} data-open={value === undefined || undefined}>
            <span>
              “{text}”{' '}
              <small>
                {[FIELD_NAMES[field], rows === 1 ? '1 row' : `${rows} rows`, provider]
                  .filter(Boolean)
                  .join(', ')}
              </small>
            </span>
            <Dropdown
              label={`Meaning of ${text}`}
              value={value ?? ''}
              options={value === undefined ? [{ id: '', name: 'say what it means' }, ...options] : options}
              onChange={(id) => id !== '' && onMean(key, id)}
            />
          </li>
        )
      })}
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
  li[data-open] span {
    color: var(--leak);
  }
  small {
    font-size: 12px;
    color: var(--ink-2);
  }
`
