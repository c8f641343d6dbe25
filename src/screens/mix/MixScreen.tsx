'use client'

import { useMemo, useState } from 'react'
import styled from 'styled-components'
import type { MixStep } from '../../core/market/planMix.ts'
import { Settling } from '../../interface/Settling'
import { MainAndSide, MainColumn, SideColumn } from '../../interface/MainAndSide'
import { Button } from '../../interface/Button'
import { NumberInput } from '../../interface/NumberInput'
import { Progress } from '../../interface/Progress'
import { Tick } from '../../interface/Tick'
import { mixAsker } from '../../workers/askers.ts'
import { useAnswer } from '../../workers/useAnswer.ts'
import { formatMoney } from '../../wording/money'
import { formatNumber } from '../../wording/number'
import { MOST_MIXED } from '../workbench/address.ts'
import { useWorkbench } from '../workbench/WorkbenchContext'
import { MixMoves } from './MixMoves'
import { MixTable } from './MixTable'

/** Where else all machines of the plan could run: at each provider, at each place, and in the best mix of few. */
export function MixScreen() {
  const { state, month, address, mend } = useWorkbench()
  const { plan, books } = state
  const { mix, reading } = address
  const { providers, places, uncommitted } = mix
  const asked = useMemo(
    () => ({ plan, books, month, reading, providers, places, uncommitted }),
    [plan, books, month, reading, providers, places, uncommitted],
  )
  const [step, setStep] = useState<MixStep>()
  const { answer, isStale, failure, isCancelled, cancel, again } = useAnswer(
    mixAsker,
    plan.machines.length > 0 ? asked : undefined,
    setStep,
  )
  const change = (part: Partial<typeof mix>): void => mend({ mix: { ...mix, ...part } })
  if (plan.machines.length === 0) {
    return (
      <MainColumn>
        <h1>Where else could all of this run?</h1>
        <p>
          The plan has no machines yet. Add one at the bench; then every provider and place is priced for it.
        </p>
      </MainColumn>
    )
  }
  const isBusy = isStale && !failure && !isCancelled
  return (
    <MainAndSide data-testid="mix-screen" aria-busy={isBusy}>
      <MainColumn>
        <h1>Where else could all of this run?</h1>
        <Limits>
          <NumberInput
            label="Providers at the most"
            unit="providers at the most"
            value={providers}
            step={1}
            least={1}
            most={MOST_MIXED}
            onChange={(value) => change({ providers: value })}
          />
          <NumberInput
            label="Places at the most"
            unit="places at the most"
            value={places}
            step={1}
            least={1}
            most={MOST_MIXED}
            onChange={(value) => change({ places: value })}
          />
          <Tick
            label="only terms that bind nobody"
            checked={uncommitted}
            onChange={(only) => change({ uncommitted: only })}
          />
        </Limits>
        {isBusy && (
          <Waiting>
            <Progress label={stepLabel(step)} {...progressOf(step)} />
            <Button onPress={cancel}>Stop</Button>
          </Waiting>
        )}
        {isCancelled && (
          <p>
            Stopped. <Button onPress={again}>Look again</Button>
          </p>
        )}
        {failure && (
          <p role="alert">
            <b>{failure}</b> Nothing was changed. <Button onPress={again}>Try again</Button>
          </p>
        )}
        {answer && !answer.best && (
          <p role="status">
            <b>No {formatNumber(places)} places hold all machines.</b> {heldText(answer.held)} Allow more
            places or providers, or take needs and pins off the machines that the lists beside name as left
            over.
          </p>
        )}
        {answer?.best && (
          <Settling $isOld={isStale}>
            <MixMoves mix={answer.best} answer={answer} isStale={isStale} />
          </Settling>
        )}
      </MainColumn>
      <SideColumn tabIndex={0} aria-label="All at one provider, all at one place">
        {answer && (
          <>
            <p>
              As planned: <b>{formatMoney(answer.now, answer.currency)}</b> a month.
            </p>
            <MixTable title="All at one provider" rows={answer.byProvider} answer={answer} />
            <MixTable title="All at one place" rows={answer.byPlace} answer={answer} />
          </>
        )}
      </SideColumn>
    </MainAndSide>
  )
}

const stepLabel = (step: MixStep | undefined): string =>
  step?.kind === 'sets'
    ? `Looking through sets of places: ${formatNumber(step.looked)} so far`
    : 'Pricing every machine at every place'

const progressOf = (step: MixStep | undefined): { readonly done: number; readonly of: number } =>
  step?.kind === 'machines' ? { done: step.done, of: step.of } : { done: step ? 1 : 0, of: 1 }

const heldText = (held: readonly string[]): string =>
  held.length === 0 ? '' : `${held.join(', ')} cannot move, and the places of these count.`

const Limits = styled.div`
  display: flex;
  flex-wrap: wrap;
  gap: 8px 18px;
  align-items: center;
  margin: 10px 0;
`

const Waiting = styled.div`
  display: flex;
  gap: 12px;
  align-items: center;
  margin-bottom: 10px;
`
