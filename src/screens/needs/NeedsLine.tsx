'use client'

import { memo, useState, type ReactNode } from 'react'
import styled from 'styled-components'
import { fitReasons } from '../../core/fit/fitReasons.ts'
import { isHeldNeed, needsAsked, type NeedId } from '../../core/fit/needId.ts'
import type { Needs } from '../../core/machine/needs.ts'
import type { Machine } from '../../core/machine/plan.ts'
import type { MachineResult } from '../../core/meter/planPricing.ts'
import { gib } from '../../core/quantity/units.ts'
import { Button } from '../../interface/Button'
import { media } from '../../interface/theme/media'
import { lazyDialog } from '../../interface/lazyDialog'
import { NumberInput } from '../../interface/NumberInput'
import { needText } from '../../wording/needs'
import { reasonsText } from '../../wording/reason'
import { useLiveWorkbench, WorkbenchContext } from '../workbench/WorkbenchContext'
import { HeldNeeds } from './HeldNeeds'
import { useNeeds } from './useNeeds'
import type { Plate } from '../../core/notches/plate.ts'

const NeedsDialog = lazyDialog(() => import('./NeedsDialog'), 'NeedsDialog')

/** These stand in the line itself. */
const IN_LINE: readonly NeedId[] = ['vcpu', 'memory', 'iops']

interface NeedsLineProps {
  readonly machine: Machine
  readonly result: MachineResult | undefined
  readonly plates: readonly Plate[]
  readonly children?: ReactNode
}

/** What the machine must have, edited in place; below it, what the present choices do not give. */
export function NeedsLine({ machine: shown, result, plates, children }: NeedsLineProps) {
  const [isOpen, setOpen] = useState(false)
  // Fields show at once what was typed; the rest follows when the plates are drawn.
  const live = useLiveWorkbench()
  const machine = live.machine?.name === shown.name ? live.machine : shown
  const { needs } = machine
  const reasons = result?.ok ? fitReasons(result.resolved) : []
  const text = needsAsked(needs)
    .filter((id) => !IN_LINE.includes(id) && !isHeldNeed(id))
    .map((id) => needText(id, needs))
    .join(', ')
  return (
    <Block aria-label="What the machine must have">
      <Line>
        <NeedsFields name={machine.name} needs={needs} />
        <Others>{text}</Others>
        <Button onPress={() => setOpen(true)}>All needs…</Button>
        {children}
      </Line>
      {result?.ok && <HeldNeeds machine={machine} resolved={result.resolved} />}
      {reasons.length > 0 && (
        <Misfit role="alert">
          <b>Does not fit:</b> {reasonsText(reasons)}
        </Misfit>
      )}
      {isOpen && (
        <WorkbenchContext value={live}>
          <NeedsDialog machine={machine} plates={plates} onClose={() => setOpen(false)} />
        </WorkbenchContext>
      )}
    </Block>
  )
}

/** The three that are asked most; drawn anew when the needs change, and not with each notch. */
const NeedsFields = memo(function NeedsFields({
  name,
  needs,
}: {
  readonly name: string
  readonly needs: Needs
}) {
  const need = useNeeds(name)
  return (
    <>
      <NumberInput
        label="Least vCPU"
        unit="vCPU"
        value={needs.vcpu}
        step={1}
        most={4096}
        onChange={(vcpu) => need({ vcpu })}
      />
      <NumberInput
        label="Least memory in GiB"
        unit="GiB"
        value={needs.memoryGiB}
        step={1}
        most={65_536}
        onChange={(memory) => need({ memoryGiB: gib(memory) })}
      />
      <NumberInput
        label="Least disk operations a second"
        unit="IOPS"
        value={needs.iops}
        step={100}
        most={10_000_000}
        onChange={(iops) => need({ iops })}
      />
    </>
  )
})

const Block = styled.section`
  margin: 8px 0 10px;
  display: grid;
  gap: 6px;
`

const Line = styled.div`
  min-width: 0;
  display: flex;
  gap: 6px 14px;
  align-items: center;
  color: var(--ink-2);
  ${media.compact} {
    flex-wrap: wrap;
  }
`

const Others = styled.span`
  flex: 1 1 0;
  min-width: 0;
  ${media.narrow} {
    flex-basis: 200px;
  }
  font-weight: 560;
  color: var(--ink);
`

const Misfit = styled.p`
  color: var(--leak);
`
