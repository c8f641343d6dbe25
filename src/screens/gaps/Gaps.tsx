'use client'

import { useMemo } from 'react'
import styled from 'styled-components'
import { bestOffPlan, type BestOffPlan } from '../../core/advice/bestOffPlan.ts'
import { gapsByShutdown, type DistinctGap } from '../../core/advice/distinctGaps.ts'
import { gapAdvice, planFor } from '../../core/advice/gapAdvice.ts'
import { payingLengths } from '../../core/advice/payingLengths.ts'
import { shutdownState } from '../../core/catalogue/statesSold.ts'
import type { PricedMachine } from '../../core/meter/planPricing.ts'
import type { OffState } from '../../core/off/powerState.ts'
import { sign, subtract } from '../../core/quantity/exact.ts'
import { Button } from '../../interface/Button'
import { useSettled } from '../../interface/useSettled'
import { formatMoney } from '../../wording/money'
import { STATE_NAMES } from '../../wording/state'
import { formatDuration } from '../../wording/time'
import { setOffPlan } from '../../store/commands.ts'
import { useWorkbench } from '../workbench/WorkbenchContext'
import { GapTable } from './GapTable'
import { PayingRuler } from './PayingRuler'

/** A stroke of the brush changes all of it, and is drawn first. */
const SETTLES_AFTER_MS = 150

/** For each gap the ways to be off and what each costs; from which length each pays; the cheapest taken at a press. */
export function Gaps({ priced }: { readonly priced: PricedMachine }) {
  const { session } = useWorkbench()
  const settled = useSettled(priced, SETTLES_AFTER_MS)
  const found = useMemo(() => settled && adviceFor(settled), [settled])
  if (!settled || !found || (found.advice.length === 0 && found.byShutdown === 0)) return null
  const { machine } = priced.resolved
  const isStale = settled !== priced
  const { currency, total } = settled.estimate
  const shut = shutdownState(settled.resolved.week, settled.resolved.index.book)
  const saving = found.best && subtract(total, found.best.total)
  const take = (gap: DistinctGap, off: OffState): void =>
    session.edit(
      `${machine.name}: ${STATE_NAMES[off].toLowerCase()} in gaps of ${formatDuration(gap.length)}`,
      setOffPlan(machine.name, planFor(machine, gap, off)),
    )
  const takeAll = ({ plan }: BestOffPlan): void =>
    session.edit(`${machine.name}: the cheapest state for every gap`, setOffPlan(machine.name, plan))
  return (
    <Section aria-labelledby="gaps-title" aria-busy={isStale || undefined} data-stale={isStale || undefined}>
      <Head>
        <h2 id="gaps-title">What to be in each gap</h2>
        {found.best && saving && sign(saving) > 0 && (
          <Button isDisabled={isStale} onPress={() => takeAll(found.best!)}>
            Take the cheapest for every gap, −{formatMoney(saving, currency)} this month
          </Button>
        )}
        {saving && sign(saving) === 0 && found.advice.length > 0 && (
          <span>Every gap has its cheapest state.</span>
        )}
      </Head>
      {shut && found.byShutdown > 0 && (
        <p>
          {found.byShutdown} {found.byShutdown === 1 ? 'gap begins' : 'gaps begin'} with the auto-shutdown and{' '}
          {found.byShutdown === 1 ? 'is' : 'are'} {STATE_NAMES[shut].toLowerCase()} by it, whatever the
          machine’s own state is.
        </p>
      )}
      {found.advice.length > 0 && (
        <>
          <GapTable advice={found.advice} total={total} currency={currency} isStale={isStale} onTake={take} />
          <PayingRuler paying={found.paying} advice={found.advice} />
        </>
      )}
    </Section>
  )
}

function adviceFor({ resolved, month, account: { planned } }: PricedMachine) {
  return {
    advice: gapAdvice(resolved, month, planned),
    byShutdown: gapsByShutdown(resolved, month),
    best: bestOffPlan(resolved, month, planned),
    paying: payingLengths(resolved, month, planned),
  }
}

const Section = styled.section`
  margin-top: 12px;
  padding-top: 8px;
  border-top: 1px solid var(--rule);
  color: var(--ink-2);

  &[data-stale] {
    color: var(--ink-3);
  }
`

const Head = styled.div`
  display: flex;
  flex-wrap: wrap;
  gap: 4px 12px;
  align-items: center;
`
