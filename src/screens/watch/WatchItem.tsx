'use client'

import { useState } from 'react'
import styled from 'styled-components'
import type { Finding } from '../../core/watch/finding.ts'
import type { ResolvedMachine } from '../../core/machine/resolveMachine.ts'
import { Button, QuietButton } from '../../interface/Button'
import { TextInput } from '../../interface/TextInput'
import { findingText, mendText, SEVERITY_NAMES } from '../../wording/finding'
import { formatMoney } from '../../wording/money'
import { acceptFinding, replaceMachine } from '../../store/commands.ts'
import { useWorkbench } from '../workbench/WorkbenchContext'
import { Sign } from './Sign'

interface WatchItemProps {
  readonly finding: Finding
  readonly resolved: ResolvedMachine
  readonly currency: string
}

const MOST_NOTE = 200

/** One finding: how bad, what, what it costs; a press mends it, or it is accepted with a note. */
export function WatchItem({ finding, resolved, currency }: WatchItemProps) {
  const { session } = useWorkbench()
  const [isAccepting, setAccepting] = useState(false)
  const { name } = resolved.machine
  const { severity, facts, stake, mend } = finding
  const text = findingText(facts, { currency, timeZone: resolved.week.timeZone })
  const mending = mendText(finding, resolved)
  const accept = (note: string): void => {
    session.edit(`${name}: accept a finding`, acceptFinding(name, finding.key, note))
  }
  return (
    <Item data-finding={finding.key}>
      <SignBox>
        <Sign severity={severity} />
        {SEVERITY_NAMES[severity]}
      </SignBox>
      <Text>{text}</Text>
      <Stake>{stake && stake.n > 0n && `${formatMoney(stake, currency)} a month`}</Stake>
      {!isAccepting && (
        <QuietButton aria-label={`Accept: ${text}`} onPress={() => setAccepting(true)}>
          Accept…
        </QuietButton>
      )}
      {((mending && mend) || isAccepting) && (
        <Actions>
          {mending && mend && (
            <Button onPress={() => session.edit(`${name}: ${mending}`, replaceMachine(name, mend.machine))}>
              {mending}
            </Button>
          )}
          {isAccepting && (
            <>
              <TextInput
                label={`Why this is accepted: ${text}`}
                value=""
                whenEmpty="why it is meant to be"
                autoFocus
                check={(note) => (note.length > MOST_NOTE ? `At most ${MOST_NOTE} letters.` : undefined)}
                onCommit={accept}
              />
              <Button onPress={() => accept('')}>Without a note</Button>
              <Button onPress={() => setAccepting(false)}>Leave it open</Button>
            </>
          )}
        </Actions>
      )}
    </Item>
  )
}

const SignBox = styled.span`
  display: inline-flex;
  gap: 6px;
  align-items: center;
  padding-top: 4px;
  font-weight: 560;
`

export const Item = styled.li`
  display: grid;
  grid-template-columns: 82px minmax(0, 1fr) auto 70px;
  gap: 3px 10px;
  align-items: start;
  padding: 4px 0;
  border-top: 1px solid var(--rule);
`

export const Text = styled.span`
  padding-top: 4px;
`

const Stake = styled.span`
  padding-top: 4px;
  text-align: right;
  white-space: nowrap;
  font-weight: 560;
`

const Actions = styled.div`
  grid-column: 2 / -1;
  display: flex;
  flex-wrap: wrap;
  gap: 6px;
  align-items: baseline;
`
