'use client'

import styled from 'styled-components'
import type { Machine } from '../../core/machine/plan.ts'
import type { PricedMachine } from '../../core/meter/planPricing.ts'
import { moneyInPlan } from '../../wording/moneyInPlan'
import { formatHours } from '../../wording/time'
import { DayByDay, DayLegend } from '../month/DayByDay'
import { OtherMonth } from '../month/OtherMonth'
import { useWorkbench } from '../workbench/WorkbenchContext'
import { NeedsLine } from '../needs/NeedsLine'
import { ProposalButton } from '../proposal/ProposalButton'
import { Plates } from './Plates'
import { usePlates } from './usePlates'
import type { Plate } from '../../core/notches/plate.ts'

const NO_PLATES: readonly Plate[] = []

/** One machine's decisions as plates on one cost axis, and its month day by day. */
export function Gauge() {
  const { machine, result } = useWorkbench()
  if (!machine) return null
  return result?.ok ? (
    <PricedGauge key={machine.name} machine={machine} priced={result} />
  ) : (
    <NeedsLine machine={machine} result={result} plates={NO_PLATES} />
  )
}

function PricedGauge({ machine, priced }: { readonly machine: Machine; readonly priced: PricedMachine }) {
  const workbench = useWorkbench()
  const { inputs, plates } = usePlates(priced, workbench)
  const { state, month } = workbench
  const { estimate } = priced
  return (
    <>
      <NeedsLine machine={machine} result={priced} plates={plates}>
        <ProposalButton inputs={inputs} />
      </NeedsLine>
      <Plates priced={priced} />
      <Days>
        <h2>
          Day by day{' '}
          <Small>
            {formatHours(estimate.onTime)} on, {estimate.starts} starts,{' '}
            {moneyInPlan(estimate.total, estimate.currency, state.plan, month)}
          </Small>
          <DayLegend />
        </h2>
        <OtherMonth priced={priced} />
        <DayByDay priced={priced} leastHeight={92} />
      </Days>
    </>
  )
}

const Days = styled.section`
  flex: 1;
  display: flex;
  flex-direction: column;
  gap: 4px;
  padding-top: 10px;

  h2 {
    display: flex;
  }
`

const Small = styled.span`
  font-weight: 400;
  margin-left: 6px;
`
