'use client'

import { useState, type ReactNode } from 'react'
import styled from 'styled-components'
import { fitReasons } from '../../core/fit/fitReasons.ts'
import { needsAsked, type NeedId } from '../../core/fit/needId.ts'
import type { Machine } from '../../core/machine/plan.ts'
import type { MachineResult } from '../../core/meter/planPricing.ts'
import { gib } from '../../core/quantity/units.ts'
import { Button } from '../../interface/Button'
import { NumberInput } from '../../interface/NumberInput'
import { needText } from '../../interface/wording/needs'
import { reasonsText } from '../../interface/wording/reason'
import { NeedsDialog } from './NeedsDialog'
import { useNeeds } from './useNeeds'
import type { Plate } from '../../core/notches/plate.ts'

/** These stand in the line itself. */
const IN_LINE: readonly NeedId[] = ['vcpu', 'memory', 'iops']

interface NeedsLineProps {
  readonly machine: Machine
  readonly result: MachineResult | undefined
  readonly plates: readonly Plate[]
  readonly children?: ReactNode
}

/** What the machine must have, edited in place; below it, what the present choices do not give. */
export function NeedsLine({ machine, result, plates, children }: NeedsLineProps) {
  const [isOpen, setOpen] = useState(false)
  const { needs } = machine
  const need = useNeeds(machine)
  const reasons = result?.ok ? fitReasons(result.resolved) : []
  const others = needsAsked(needs).filter((id) => !IN_LINE.includes(id))
  return (
    <Block aria-label="What the machine must have">
      <Line>
        <span>must have</span>
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
        {others.length > 0 && <b>{others.map((id) => needText(id, needs)).join(', ')}</b>}
        <Button onPress={() => setOpen(true)}>All needs…</Button>
        <Spring />
        {children}
      </Line>
      {reasons.length > 0 && (
        <Misfit role="alert">
          <b>Does not fit:</b> {reasonsText(reasons)}
        </Misfit>
      )}
      {isOpen && <NeedsDialog machine={machine} plates={plates} onClose={() => setOpen(false)} />}
    </Block>
  )
}

const Block = styled.section`
  margin: 8px 0 10px;
  display: grid;
  gap: 6px;
`

const Line = styled.div`
  display: flex;
  flex-wrap: wrap;
  gap: 6px 14px;
  align-items: baseline;
  color: var(--ink-2);

  b {
    font-weight: 560;
    color: var(--ink);
  }
`

const Spring = styled.span`
  flex: 1;
`

const Misfit = styled.p`
  color: var(--leak);
`
