'use client'

import { useState } from 'react'
import styled from 'styled-components'
import type { Finding } from '../../core/watch/finding.ts'
import type { ResolvedMachine } from '../../core/machine/resolveMachine.ts'
import { Button, QuietButton } from '../../interface/Button'
import { TextInput } from '../../interface/TextInput'
import { VisuallyHidden } from '../../interface/VisuallyHidden'
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
      <SignBox title={SEVERITY_NAMES[severity]}>
        <Sign severity={severity} />
        <VisuallyHidden>{SEVERITY_NAMES[severity]}</VisuallyHidden>
      </SignBox>
      <Text>
        {text} {stake && stake.n > 0n && <b>{formatMoney(stake, currency)} a month.</b>}
      </Text>
      {isAccepting ? (
        <span />
      ) : (
        <Accept aria-label={`Accept: ${text}`} onPress={() => setAccepting(true)}>
          Accept…
        </Accept>
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

const Accept = styled(QuietButton)`
  padding: 0 4px;
  min-height: 24px;
  font-size: 12px;
  color: var(--ink-2);
`

const SignBox = styled.span`
  padding-top: 3px;
`

export const Item = styled.li`
  display: grid;
  grid-template-columns: 18px minmax(0, 1fr) auto;
  gap: 2px 6px;
  align-items: start;
  padding: 4px 0;
  border-top: 1px solid var(--rule);
`

export const Text = styled.span`
  font-size: 12px;

  b {
    font-weight: 600;
  }
`

const Actions = styled.div`
  grid-column: 2 / -1;
  display: flex;
  flex-wrap: wrap;
  gap: 6px;
  align-items: baseline;
`
