'use client'

import { useMemo } from 'react'
import styled from 'styled-components'
import { heldNeeds, isEased, type HeldNeed } from '../../core/fit/needId.ts'
import { heldBy } from '../../core/machine/heldBy.ts'
import type { Machine } from '../../core/machine/plan.ts'
import type { ResolvedMachine } from '../../core/machine/resolveMachine.ts'
import { negate, sign } from '../../core/quantity/exact.ts'
import { useSettled } from '../../interface/useSettled'
import { VisuallyHidden } from '../../interface/VisuallyHidden'
import { formatAmount } from '../../wording/money'
import { HeldToggles } from './HeldToggles'
import { useNeedCosts, type NeedCost } from './useNeedCosts'

/** What letting go saves is searched for once nothing has changed for so long. */
const SETTLED_MS = 2_000

interface HeldNeedsProps {
  readonly machine: Machine
  readonly resolved: ResolvedMachine
}

/** What the machine has now and keeps, with what letting go of each would save. */
export function HeldNeeds({ machine, resolved }: HeldNeedsProps) {
  const kept = useMemo(
    () => heldNeeds(heldBy(resolved)).filter((id) => !isEased(machine.needs, id)),
    [machine.needs, resolved],
  )
  const costOf = useNeedCosts(machine, kept, useSettled(machine, SETTLED_MS) === machine)
  return (
    <HeldToggles machine={machine} held={heldBy(resolved)}>
      {(id) => <Saves cost={costOf(id)} need={id} />}
    </HeldToggles>
  )
}

/** As wide before it is known as after: nothing moves under the hand. */
function Saves({ cost, need }: { readonly cost: NeedCost; readonly need: HeldNeed }) {
  const isKnown = typeof cost === 'object'
  const saves = isKnown && sign(cost) > 0
  return (
    <Amount data-testid={`eases-${need}`}>
      {saves ? (
        <>
          <VisuallyHidden>, letting it go saves </VisuallyHidden>
          {formatAmount(negate(cost))}
        </>
      ) : (
        isKnown && <VisuallyHidden>, letting it go saves nothing</VisuallyHidden>
      )}
    </Amount>
  )
}

const Amount = styled.b`
  display: inline-block;
  min-width: 3.6em;
  text-align: right;
  font-weight: 620;
  color: var(--save);
`
