'use client'

import { useEffect, useState } from 'react'
import styled from 'styled-components'
import { Button, QuietButton } from '../../interface/Button'
import { negate, sign } from '../../core/quantity/exact.ts'
import { useStable } from '../../interface/useStable'
import { replaceMachine } from '../../store/commands.ts'
import { formatMoney } from '../../wording/money'
import { useWorkbench } from '../workbench/WorkbenchContext'
import { TOUR_STEPS, tourChange } from './tourSteps.ts'

const LABEL = 'Look around'

interface TourProps {
  readonly onEnd: () => void
}

/** A look around the demo: four stops with a real change each, all of it taken back at the end. */
export function Tour({ onEnd }: TourProps) {
  const { session, state, keptBooks, month, address, go } = useWorkbench()
  const [at, setAt] = useState(0)
  const [done, setDone] = useState<string>()
  const step = TOUR_STEPS[at]!
  const isLast = at === TOUR_STEPS.length - 1
  const { plan } = state
  // Where it begins, whatever is open.
  const begin = useStable((): void => go({ view: TOUR_STEPS[0]!.view, machine: TOUR_STEPS[0]!.machine }))
  useEffect(() => begin(), [begin])
  const act = (): void => {
    const change = tourChange(step, plan, { books: keptBooks, month, reading: address.reading })
    if (!change) return setDone('That machine is not as it was in the demo.')
    const { difference, currency } = change
    const saves = sign(difference) < 0
    session.edit(`${LABEL}: ${step.machine}`, replaceMachine(step.machine, change.machine))
    setDone(
      `That is ${formatMoney(saves ? negate(difference) : difference, currency)} ${saves ? 'less' : 'more'} a month.`,
    )
  }
  const end = (): void => {
    // What was changed beside the way stays.
    for (let i = 0; i < TOUR_STEPS.length; i += 1) {
      if (!session.snapshot().undoLabel?.startsWith(LABEL)) break
      session.undo()
    }
    onEnd()
  }
  const goOn = (): void => {
    if (isLast) return end()
    const next = TOUR_STEPS[at + 1]!
    setAt(at + 1)
    setDone(undefined)
    go({ view: next.view, machine: next.machine })
  }
  return (
    <Bar role="note" aria-label={LABEL}>
      <small>
        {at + 1} of {TOUR_STEPS.length}
      </small>
      <span aria-live="polite">
        {step.says} {done !== undefined && <b>{done}</b>}
      </span>
      {done === undefined ? (
        <Button onPress={act}>{step.deed}</Button>
      ) : (
        <Button onPress={goOn}>{isLast ? 'Undo all of it and end' : 'Go on'}</Button>
      )}
      {!isLast && <QuietButton onPress={end}>End it</QuietButton>}
    </Bar>
  )
}

const Bar = styled.div`
  display: flex;
  flex-wrap: wrap;
  gap: 6px 12px;
  align-items: center;
  padding: 5px 16px;
  background: var(--plate);
  border-bottom: 1px solid var(--plate-edge);
  border-left: 4px solid var(--focus);

  & > span {
    flex: 1 1 300px;
  }
  small {
    color: var(--ink-2);
  }
`
