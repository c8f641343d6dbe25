'use client'

import { useMemo } from 'react'
import styled from 'styled-components'
import { indexBook } from '../../core/catalogue/bookIndex.ts'
import { carryOver } from '../../core/carry/carryOver.ts'
import type { Machine } from '../../core/machine/plan.ts'
import type { MachineIssue } from '../../core/meter/planPricing.ts'
import { machineIssueText } from '../../files/reading/machineIssueText.ts'
import { Button } from '../../interface/Button'
import { forcedChangeText } from '../../wording/forcedChange'
import { replaceMachine } from '../../store/commands.ts'
import { useWorkbench } from '../workbench/WorkbenchContext'

interface NotPricedProps {
  readonly machine: Machine
  readonly issues: readonly MachineIssue[]
}

/** Why a machine has no price, and the nearest that its provider sells and that fits. */
export function NotPriced({ machine, issues }: NotPricedProps) {
  const { session, state, book } = useWorkbench()
  const { plan } = state
  const offer = useMemo(() => book && carryOver(machine, plan, indexBook(book)), [machine, plan, book])
  return (
    <Box role="alert">
      <b>This machine is not priced.</b>
      {issues.map((issue, i) => {
        const { problem, expected } = machineIssueText(issue)
        return (
          <span key={i}>
            {problem} Expected: {expected}
          </span>
        )
      })}
      {offer && offer.changes.length > 0 && (
        <Line>
          <span>The nearest that fits: {offer.changes.map(forcedChangeText).join('; ')}.</span>
          <Button
            onPress={() =>
              session.edit(
                `${machine.name}: the nearest that fits`,
                replaceMachine(machine.name, offer.machine),
              )
            }
          >
            Take it
          </Button>
        </Line>
      )}
      {book && !offer && <span>Nothing in this book has what the machine needs.</span>}
    </Box>
  )
}

const Box = styled.div`
  display: grid;
  gap: 3px;
  margin-top: 10px;
  padding: 8px 12px;
  border-left: 4px solid var(--leak);
  background: var(--paper);
`

const Line = styled.div`
  display: flex;
  flex-wrap: wrap;
  gap: 8px;
  align-items: center;
`
