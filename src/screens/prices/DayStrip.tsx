'use client'

import styled from 'styled-components'
import type { PriceBook, StateRow } from '../../core/catalogue/priceBook.ts'
import { POWER_STATES } from '../../core/off/powerState.ts'
import { VisuallyHidden } from '../../interface/VisuallyHidden'
import { STATE_NAMES } from '../../wording/state'

/** What of a machine is charged in one state: all of it, or nothing. */
const METERS: readonly {
  readonly name: string
  readonly isCharged: (row: StateRow, isFlat: boolean) => boolean
}[] = [
  { name: 'machine', isCharged: ({ compute }, isFlat) => compute || isFlat },
  { name: 'disks', isCharged: ({ disks }) => disks },
  { name: 'fixed address', isCharged: ({ address }) => address !== 'none' },
]

/** One day, on and then off in each way that the provider has: what is charged when. */
export function DayStrip({ book }: { readonly book: PriceBook }) {
  const states = POWER_STATES.filter((state) => book.states[state])
  const isFlat = book.terms.every(({ kind }) => kind === 'flat')
  const tracks = `76px repeat(${states.length}, minmax(0, 1fr))`
  return (
    <Strip role="table" aria-label="What is charged when" style={{ gridTemplateColumns: tracks }}>
      <Line role="row">
        <span role="columnheader">
          <VisuallyHidden>Meter</VisuallyHidden>
        </span>
        {states.map((state) => (
          <Head key={state} role="columnheader">
            {STATE_NAMES[state].toLowerCase()}
          </Head>
        ))}
      </Line>
      {METERS.map(({ name, isCharged }) => (
        <Line key={name} role="row">
          <Meter role="rowheader">{name}</Meter>
          {states.map((state) => {
            const charged = isCharged(book.states[state]!, isFlat && state !== 'deleted')
            return (
              <Bar key={state} role="cell" $charged={charged} $runs={state === 'running'}>
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
  gap: 3px 2px;
  margin: 10px 0 8px;
  font-size: 11px;
`

const Line = styled.div`
  display: contents;
`

const Head = styled.span`
  color: var(--ink-2);
  overflow-wrap: anywhere;
`

const Meter = styled.span`
  color: var(--ink-2);
  align-self: center;
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
