'use client'

import type { ReactNode } from 'react'
import { ToggleButton } from 'react-aria-components'
import styled from 'styled-components'
import { easing, heldNeeds, isEased, type HeldNeed } from '../../core/fit/needId.ts'
import type { Held } from '../../core/machine/held.ts'
import type { Machine } from '../../core/machine/plan.ts'
import { media } from '../../interface/theme/media'
import { EASED_TEXTS, needText } from '../../wording/needs'
import { useNeeds } from './useNeeds'

interface HeldTogglesProps {
  readonly machine: Machine
  readonly held: Held
  /** What stands beside one that is kept, such as what letting it go would save. */
  readonly children: (id: HeldNeed) => ReactNode
}

/** What the machine has now and needs for that; each is let go, and kept again, at one press. */
export function HeldToggles({ machine, held, children }: HeldTogglesProps) {
  const need = useNeeds(machine.name)
  const { needs } = machine
  return (
    <Line role="group" aria-label="What stays as it is now">
      <span>As now:</span>
      {heldNeeds(held).map((id) => {
        const mayGo = isEased(needs, id)
        return (
          <Toggle
            key={id}
            data-need={id}
            isSelected={!mayGo}
            onChange={(isKept) => need(easing(id, !isKept))}
          >
            <Word>{mayGo ? EASED_TEXTS[id] : needText(id, needs, held)}</Word>
            {!mayGo && children(id)}
          </Toggle>
        )
      })}
    </Line>
  )
}

const Line = styled.div`
  display: flex;
  flex-wrap: wrap;
  gap: 4px 12px;
  align-items: baseline;
  font-size: 12px;
  color: var(--ink-2);
`

const Toggle = styled(ToggleButton)`
  display: inline-flex;
  gap: 5px;
  align-items: baseline;
  padding: 1px 0;
  border: 0;
  background: none;
  font: inherit;
  color: var(--ink-2);
  cursor: pointer;

  &[data-selected] {
    color: var(--ink);
  }
  ${media.coarse} {
    min-height: 44px;
    align-items: center;
  }
`

const Word = styled.span`
  border-bottom: 1px dashed var(--plate-edge);

  [data-selected] > & {
    border-bottom-style: solid;
  }
  [data-hovered] > & {
    border-bottom-color: var(--ink);
  }
`
