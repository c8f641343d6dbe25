'use client'

import styled from 'styled-components'
import { Button } from '../../interface/Button'
import { EmptyPlan } from '../workbench/EmptyPlan'
import { useWorkbench } from '../workbench/WorkbenchContext'
import { PaleGauge } from './PaleGauge'

/** Where no machine is open: another one to open, or how the first one comes. */
export function NoMachine() {
  const { state, address, go } = useWorkbench()
  const [first] = state.plan.machines
  return first ? (
    <Nothing>
      <h1>There is no machine “{address.machine}” in this plan</h1>
      <p>It may have been renamed or deleted, or the link is from another plan.</p>
      <Button onPress={() => go({ machine: first.name })}>Open {first.name}</Button>
    </Nothing>
  ) : (
    <EmptyPlan
      shows="Say what the first one must have. Its plates then show what each choice costs this month, and what switching off saves."
      sketch={<PaleGauge />}
    />
  )
}

const Nothing = styled.div`
  display: grid;
  gap: 12px;
  justify-items: start;
  max-width: 460px;
  margin: 16vh auto 0;
`
