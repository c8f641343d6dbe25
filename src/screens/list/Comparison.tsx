'use client'

import styled from 'styled-components'
import type { Notch } from '../../core/notches/plate.ts'
import { Button } from '../../interface/Button'
import { whyText } from './ListGrid'
import type { ShownColumn } from './listColumns.ts'

interface ComparisonProps {
  readonly notches: readonly Notch[]
  readonly columns: readonly ShownColumn[]
  readonly onTake: (notch: Notch) => void
}

/** Marked choices side by side; what differs from the first is set off. */
export function Comparison({ notches, columns, onTake }: ComparisonProps) {
  const [name, ...others] = columns
  return (
    <Wide tabIndex={0} role="region" aria-label="Marked choices compared">
      <Table>
        <thead>
          <tr>
            <td />
            {notches.map((notch) => (
              <th key={notch.key} scope="col">
                {name!.textOf(notch)}{' '}
                {notch.isPresent ? (
                  'now'
                ) : (
                  <Button aria-label={`Take ${name!.textOf(notch)}`} onPress={() => onTake(notch)}>
                    Take
                  </Button>
                )}
              </th>
            ))}
          </tr>
        </thead>
        <tbody>
          {others.map(({ id, head, textOf }) => (
            <Row key={id} head={head} texts={notches.map(textOf)} keys={notches.map(({ key }) => key)} />
          ))}
          <Row head="fits" texts={notches.map(whyText)} keys={notches.map(({ key }) => key)} />
        </tbody>
      </Table>
    </Wide>
  )
}

interface RowProps {
  readonly head: string
  readonly texts: readonly string[]
  readonly keys: readonly string[]
}

function Row({ head, texts, keys }: RowProps) {
  return (
    <tr>
      <th scope="row">{head}</th>
      {texts.map((text, i) => (
        <Cell key={keys[i]} $differs={text !== texts[0]}>
          {text}
        </Cell>
      ))}
    </tr>
  )
}

const Wide = styled.div`
  flex: 1;
  min-width: 0;
  overflow: auto;
  border: 1px solid var(--rule);
`

const Table = styled.table`
  border-collapse: collapse;

  th,
  td {
    padding: 3px 18px 3px 10px;
    text-align: left;
    font-weight: 400;
    border-top: 1px solid var(--rule);
  }
  thead th {
    font-weight: 620;
    white-space: nowrap;
  }
  tbody th {
    color: var(--ink-2);
    white-space: nowrap;
  }
`

const Cell = styled.td<{ readonly $differs: boolean }>`
  && {
    font-weight: ${({ $differs }) => ($differs ? 620 : 400)};
    background: ${({ $differs }) => ($differs ? 'var(--paper)' : 'none')};
  }
`
