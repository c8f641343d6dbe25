'use client'

import { memo, type ReactNode } from 'react'
import styled from 'styled-components'
import type { PlateWeight } from '../../core/notches/plateWeight.ts'
import { QuietButton } from '../../interface/Button'
import { media } from '../../interface/theme/media'
import { Term } from '../../interface/Term'
import { GLOSSARY } from '../../wording/glossary'

export const WEIGHT_NAMES = {
  saves: 'Can save',
  matters: 'Could matter',
  settled: 'Settled',
} as const satisfies Record<PlateWeight, string>

const WEIGHT_MEANINGS = {
  saves: 'a cheaper choice fits',
  matters: (
    <>
      cheaper ones are <Term meaning={GLOSSARY.closed}>closed</Term>, or bring other changes
    </>
  ),
  settled: 'nothing is cheaper',
} as const satisfies Record<PlateWeight, ReactNode>

interface PlateHeadingProps {
  /** Undefined for plates in their fixed order. */
  readonly weight: PlateWeight | undefined
  /** With the ways to order them, at the first heading. */
  readonly hasWays: boolean
  readonly isOutdated: boolean
  readonly onArrange: () => void
  readonly onFixed: (fixed: boolean) => void
}

/** What the plates below have in common; the first one lets a person order them otherwise. */
export const PlateHeading = memo(function PlateHeading({ weight, hasWays, ...order }: PlateHeadingProps) {
  return (
    <Heading>
      <h2>
        {weight ? WEIGHT_NAMES[weight] : 'All decisions'}{' '}
        <small>{weight ? WEIGHT_MEANINGS[weight] : 'in their fixed order'}</small>
      </h2>
      {hasWays && (
        <Ways>
          {order.isOutdated && <Way onPress={order.onArrange}>Sort again</Way>}
          <Way onPress={() => order.onFixed(weight !== undefined)}>
            {weight ? 'Fixed order' : 'By what they save'}
          </Way>
        </Ways>
      )}
    </Heading>
  )
})

const Heading = styled.div`
  position: relative;
  z-index: 1;
  display: flex;
  justify-content: space-between;
  align-items: end;
  min-height: 26px;
  padding: 4px 0 2px;

  small {
    margin-left: 4px;
    font-size: 11px;
    font-weight: 400;
  }
`

const Ways = styled.span`
  display: flex;
`

const Way = styled(QuietButton)`
  padding: 2px 6px;
  min-height: 24px;
  ${media.coarse} {
    min-height: 44px;
  }
  font-size: 12px;
  color: var(--ink-2);
`
