'use client'

import { memo } from 'react'
import styled from 'styled-components'
import { isHeldNeed, type NeedId } from '../../core/fit/needId.ts'
import type { Held } from '../../core/machine/held.ts'
import type { NeedSaving } from '../../core/market/needSavings.ts'
import type { Machine } from '../../core/machine/plan.ts'
import { gib } from '../../core/quantity/units.ts'
import { NEED_STEPS, type DraggedNeed } from '../../core/market/needSteps.ts'
import { NumberInput } from '../../interface/NumberInput'
import { StepSlider } from '../../interface/StepSlider'
import { isZero, negate, sign } from '../../core/quantity/exact.ts'
import { formatAmount, formatMoney } from '../../wording/money'
import { formatNumber } from '../../wording/number'
import { needText } from '../../wording/needs'
import type { MarketAsked } from '../../workers/askers.ts'
import { HeldToggles } from '../needs/HeldToggles'
import { useNeeds } from '../needs/useNeeds'

interface MarketNeedsProps {
  readonly machine: Machine
  readonly held: Held
  readonly savings: readonly NeedSaving[]
  readonly currency: string
  readonly isStale: boolean
  /** Of the need that is being dragged; undefined when it is let go. */
  readonly onDrag: (drag: MarketAsked['dragged']) => void
}

const UNITS = { vcpu: 'vCPU', memory: 'GiB' } as const satisfies Record<DraggedNeed, string>

/** These are numbers that are changed in the line itself. */
const EDITED: readonly NeedId[] = ['vcpu', 'memory', 'iops', 'round-trip']

/** What the machine needs, edited in place; beside each need, how much cheaper the cheapest would be without it. */
export const MarketNeeds = memo(function MarketNeeds(props: MarketNeedsProps) {
  const { machine, held, savings, currency, isStale, onDrag } = props
  const need = useNeeds(machine.name)
  const { needs } = machine
  const costOf = (id: NeedId) => {
    const found = savings.find((each) => each.need === id)
    return found && <Saving saving={found} currency={currency} />
  }
  const slider = (of: DraggedNeed, label: string, value: number, set: (value: number) => void) => (
    <StepSlider
      label={label}
      steps={NEED_STEPS[of]}
      value={value}
      textOf={(each) => `${formatNumber(each)} ${UNITS[of]}`}
      onDrag={(next) => onDrag({ need: of, value: next })}
      onChange={(next) => {
        onDrag(undefined)
        if (next !== value) set(next)
      }}
    />
  )
  return (
    <Line aria-label="What the machine must have" data-stale={isStale || undefined}>
      <Need>
        <NumberInput
          label="Least vCPU"
          unit="vCPU"
          value={needs.vcpu}
          step={1}
          most={4_096}
          onChange={(vcpu) => need({ vcpu })}
        />
        {costOf('vcpu')}
        {slider('vcpu', 'Drag the least vCPU', needs.vcpu, (next) => need({ vcpu: next }))}
      </Need>
      <Need>
        <NumberInput
          label="Least memory in GiB"
          unit="GiB"
          value={needs.memoryGiB}
          step={1}
          most={65_536}
          onChange={(memory) => need({ memoryGiB: gib(memory) })}
        />
        {costOf('memory')}
        {slider('memory', 'Drag the least memory', needs.memoryGiB, (next) => need({ memoryGiB: gib(next) }))}
      </Need>
      <Need>
        <NumberInput
          label="Least disk operations a second"
          unit="IOPS"
          value={needs.iops}
          step={100}
          most={10_000_000}
          onChange={(iops) => need({ iops })}
        />
        {costOf('iops')}
      </Need>
      {(needs.usedFrom?.length ?? 0) > 0 && (
        <Need>
          <NumberInput
            label="Longest round trip in ms"
            unit={`ms from ${needs.usedFrom!.join(' and ')}`}
            value={needs.roundTripMs ?? 0}
            step={5}
            most={10_000}
            onChange={(value) => need({ roundTripMs: value || undefined })}
          />
          {costOf('round-trip')}
        </Need>
      )}
      {savings
        .filter(({ need: id }) => !EDITED.includes(id) && !isHeldNeed(id))
        .map((each) => (
          <Need key={each.need}>
            <span>{needText(each.need, needs)}</span>
            <Saving saving={each} currency={currency} />
          </Need>
        ))}
      <HeldToggles machine={machine} held={held}>
        {costOf}
      </HeldToggles>
      <Legend>green: what dropping it alone would save</Legend>
    </Line>
  )
})

function Saving({ saving, currency }: { readonly saving: NeedSaving; readonly currency: string }) {
  const { saved, total, instead } = saving
  if (saved)
    return isZero(saved) || sign(saved) < 0 ? (
      <Costs>free</Costs>
    ) : (
      <Saves>{formatAmount(negate(saved))}</Saves>
    )
  if (!total) return <Costs>nothing fits without it either</Costs>
  const { fitting, eased } = instead ?? {}
  return (
    <Costs>
      {fitting === undefined ? '' : `${formatNumber(fitting)} fit `}without it, from{' '}
      {formatMoney(total, currency)}
      {eased && `; at ${formatNumber(eased.to)}, from ${formatMoney(eased.total, currency)}`}
    </Costs>
  )
}

const Line = styled.section`
  display: flex;
  flex-wrap: wrap;
  gap: 6px 16px;
  align-items: baseline;

  &[data-stale] {
    color: var(--ink-2);
  }
`

const Need = styled.span`
  display: inline-flex;
  flex-wrap: wrap;
  gap: 0 6px;
  align-items: baseline;
  max-width: 190px;
`

const Saves = styled.b`
  color: var(--save);
`

const Costs = styled.small`
  color: var(--ink-2);
`

const Legend = styled.small`
  margin-left: auto;
  color: var(--ink-2);
`
