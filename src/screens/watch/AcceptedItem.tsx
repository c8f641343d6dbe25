'use client'

import styled from 'styled-components'
import type { Finding } from '../../core/watch/finding.ts'
import type { ResolvedMachine } from '../../core/machine/resolveMachine.ts'
import { QuietButton } from '../../interface/Button'
import { findingText } from '../../wording/finding'
import { acceptFinding } from '../../store/commands.ts'
import { useWorkbench } from '../workbench/WorkbenchContext'
import { Item, Text } from './WatchItem'

interface AcceptedItemProps {
  readonly finding: Finding & { readonly note: string }
  readonly resolved: ResolvedMachine
  readonly currency: string
}

/** A finding that is known and meant to be. */
export function AcceptedItem({ finding, resolved, currency }: AcceptedItemProps) {
  const { session } = useWorkbench()
  const { name } = resolved.machine
  const text = findingText(finding.facts, { currency, timeZone: resolved.week.timeZone })
  return (
    <Item data-finding={finding.key}>
      <span />
      <Quiet>
        Accepted: {text}
        {finding.note && <b> {finding.note}</b>}
      </Quiet>
      <QuietButton
        aria-label={`Open again: ${text}`}
        onPress={() =>
          session.edit(`${name}: open a finding again`, acceptFinding(name, finding.key, undefined))
        }
      >
        Reopen
      </QuietButton>
    </Item>
  )
}

const Quiet = styled(Text)`
  color: var(--ink-2);

  b {
    font-weight: 560;
  }
`
