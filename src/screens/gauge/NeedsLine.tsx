'use client'

import styled from 'styled-components'
import { fitReasons } from '../../core/fit/fitReasons.ts'
import type { Needs } from '../../core/machine/needs.ts'
import type { Machine } from '../../core/machine/plan.ts'
import type { MachineResult } from '../../core/meter/planPricing.ts'
import { gib } from '../../core/quantity/units.ts'
import { Dropdown } from '../../interface/Dropdown'
import { NumberInput } from '../../interface/NumberInput'
import { reasonsText } from '../../interface/wording/reason'
import { setMachine } from '../../store/commands.ts'
import { useWorkbench } from '../workbench/WorkbenchContext'

interface NeedsLineProps {
  readonly machine: Machine
  readonly result: MachineResult | undefined
}

/** What the machine must have, edited in place; below it, what the present choices do not give. */
export function NeedsLine({ machine, result }: NeedsLineProps) {
  const { session, book } = useWorkbench()
  const images = book?.images ?? []
  const { needs } = machine
  const need = (part: Partial<Needs>): void =>
    session.edit(`${machine.name}: needs`, setMachine(machine.name, { needs: { ...needs, ...part } }))
  const reasons = result?.ok ? fitReasons(result.resolved) : []
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
        <span>runs</span>
        <Dropdown
          label="Image"
          value={machine.image}
          options={images.map(({ id, name, about }) => ({ id, name, note: about }))}
          onChange={(image) => session.edit(`${machine.name}: image`, setMachine(machine.name, { image }))}
        />
      </Line>
      {reasons.length > 0 && (
        <Misfit role="alert">
          <b>Does not fit:</b> {reasonsText(reasons)}
        </Misfit>
      )}
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
`

const Misfit = styled.p`
  color: var(--leak);
`
