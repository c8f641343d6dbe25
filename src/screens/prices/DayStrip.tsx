'use client'

import styled from 'styled-components'
import type { PriceBook, StateRow } from '../../core/catalogue/priceBook.ts'
import { POWER_STATES } from '../../core/off/powerState.ts'
import { STATE_NAMES } from '../../wording/state'

interface Meter {
  readonly name: string
  readonly isCharged: (row: StateRow, isFlat: boolean) => boolean
}

const METERS: readonly Meter[] = [
  { name: 'machine', isCharged: ({ compute }, isFlat) => compute || isFlat },
  { name: 'disks', isCharged: ({ disks }) => disks },
  { name: 'address', isCharged: ({ address }) => address !== 'none' },
]

/** What of a machine is charged while it is on, and in each way in which it can be off. */
export function DayStrip({ book }: { readonly book: PriceBook }) {
  const states = POWER_STATES.filter((state) => book.states[state])
  const isFlat = book.terms.every(({ kind }) => kind === 'flat')
  return (
    <Strip role="table" aria-label="What is charged when">
      <Line role="row">
        <Head role="columnheader">while</Head>
        {METERS.map(({ name }) => (
          <Head key={name} role="columnheader">
            {name}
          </Head>
        ))}
      </Line>
      {states.map((state) => (
        <Line key={state} role="row">
          <Head role="rowheader">{STATE_NAMES[state].toLowerCase()}</Head>
          {METERS.map(({ name, isCharged }) => {
            const charged = isCharged(book.states[state]!, isFlat && state !== 'deleted')
            return (
              <Bar key={name} role="cell" $charged={charged} $runs={state === 'running'}>
                {charged ? 'charged' : 'free'}
              </Bar>
            )
          })}
        </Line>
      ))}
    </Strip>
  )
}

const Strip = styled.div`
  display: grid;
  grid-template-columns: 84px repeat(3, minmax(0, 1fr));
  gap: 2px;
  margin: 10px 0 8px;
  font-size: 11px;
`

const Line = styled.div`
  display: contents;
`

const Head = styled.span`
  align-self: center;
  color: var(--ink-2);
`

const Bar = styled.span<{ readonly $charged: boolean; readonly $runs: boolean }>`
  display: grid;
  place-items: center;
  min-height: 18px;
  color: ${({ $charged, $runs }) => ($charged && $runs ? 'var(--on-run)' : 'var(--ink)')};
  background: ${({ $charged, $runs }) =>
    $charged ? ($runs ? 'var(--run)' : 'var(--held-pale)') : 'transparent'};
  border: 1px solid ${({ $charged }) => ($charged ? 'transparent' : 'var(--rule)')};
`
