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

/** The person’s word where it still names something, else what is proposed. */
const valueOf = ({ key, options, proposed }: AskedValue, meant: ReadonlyMap<string, string>) => {
  const said = meant.get(key)
  return options.some(({ id }) => id === said) ? said : proposed
}

/** Words of the table that name nothing there is: what each means, once for all its rows; those without a proposal first. */
export const AskedValues = ({ values, meant, onMean }: AskedValuesProps) => (
  <section aria-label="Words to confirm">
    <h3>Words to confirm</h3>
    <List>
      {values
        .toSorted((a, b) => Number(a.proposed !== undefined) - Number(b.proposed !== undefined))
        .map((asked) => {
          const { key, field, text, provider, options, rows } = asked
          const value = valueOf(asked, meant)
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
