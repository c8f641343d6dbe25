'use client'

import styled from 'styled-components'
import type { NeedId } from '../../core/fit/needId.ts'
import type { NeedSaving } from '../../core/market/needSavings.ts'
import type { Machine } from '../../core/machine/plan.ts'
import { gib } from '../../core/quantity/units.ts'
import { NumberInput } from '../../interface/NumberInput'
import { isZero, negate, sign } from '../../core/quantity/exact.ts'
import { formatAmount, formatMoney } from '../../wording/money'
import { formatNumber } from '../../wording/number'
import { needText } from '../../wording/needs'
import { useNeeds } from '../needs/useNeeds'

interface MarketNeedsProps {
  readonly machine: Machine
  readonly savings: readonly NeedSaving[]
  readonly currency: string
  readonly isStale: boolean
}

/** These are numbers that are changed in the line itself. */
const EDITED: readonly NeedId[] = ['vcpu', 'memory', 'iops', 'round-trip']

/** What the machine needs, edited in place; beside each need, how much cheaper the cheapest would be without it. */
export function MarketNeeds({ machine, savings, currency, isStale }: MarketNeedsProps) {
  const need = useNeeds(machine.name)
  const { needs } = machine
  const costOf = (id: NeedId) => {
    const found = savings.find((each) => each.need === id)
    return found && <Saving saving={found} currency={currency} />
  }
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
        .filter((each) => !EDITED.includes(each.need))
        .map((each) => (
          <Need key={each.need}>
            <span>{needText(each.need, needs)}</span>
            <Saving saving={each} currency={currency} />
          </Need>
        ))}
      <Legend>green: what dropping it alone would save</Legend>
    </Line>
  )
}

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
  gap: 6px;
  align-items: baseline;
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
