'use client'

import { Button } from 'react-aria-components'
import styled from 'styled-components'
import type { OfferName } from '../../core/market/offerName.ts'
import type { OfferRow } from '../../core/market/offerRow.ts'
import { media } from '../../interface/theme/media'
import { formatNumber } from '../../wording/number'

interface OfferLineProps {
  readonly row: OfferRow
  readonly difference: string
  readonly isShown: boolean
  readonly onPick: (offer: OfferName) => void
}

/** An offer in a list: pressed, it is looked at. */
export function OfferLine({ row, difference, isShown, onPick }: OfferLineProps) {
  const { machine, provider, size, place, terms, roundTripMs, assumed } = row
  const { provider: id, region, size: sizeId, terms: termsId } = machine
  const notes = [
    terms.toLowerCase(),
    roundTripMs === undefined ? undefined : `${formatNumber(roundTripMs)} ms`,
    assumed > 0 ? `${assumed} answers assumed` : undefined,
  ]
  return (
    <Line
      aria-pressed={isShown}
      onPress={() => onPick({ provider: id, region, size: sizeId, terms: termsId })}
    >
      <span>
        <b>{provider}</b> {size}, {place} {machine.zone}
        <Notes>{notes.filter(Boolean).join('; ')}</Notes>
      </span>
      <Difference $saves={difference.startsWith('−')}>{difference}</Difference>
    </Line>
  )
}

const Line = styled(Button)`
  display: flex;
  justify-content: space-between;
  gap: 10px;
  width: 100%;
  padding: 5px 8px;
  border: 0;
  border-top: 1px solid var(--rule);
  background: none;
  text-align: left;
  font-size: 12px;
  cursor: pointer;

  &[data-hovered] {
    background: var(--paper);
  }
  &[aria-pressed='true'] {
    box-shadow: inset 3px 0 var(--ink);
    background: var(--paper);
  }
  ${media.coarse} {
    min-height: 44px;
  }
`

const Notes = styled.small`
  display: block;
  color: var(--ink-2);
`

const Difference = styled.b<{ readonly $saves: boolean }>`
  white-space: nowrap;
  color: ${({ $saves }) => ($saves ? 'var(--save)' : 'inherit')};
`
