'use client'

import { useState } from 'react'
import styled from 'styled-components'
import type { OverviewPart } from '../../core/wholePlan/planOverview.ts'
import type { Credit } from '../../core/machine/plan.ts'
import { Button, QuietButton } from '../../interface/Button'
import { formatMoney } from '../../wording/money'
import { takeChoice } from '../../store/commands.ts'
import { useWorkbench } from '../workbench/WorkbenchContext'
import { useNotchText } from './useNotchText.ts'

interface EnoughToLastProps {
  readonly part: Extract<OverviewPart, { kind: 'enough' }> | undefined
  readonly pending: boolean
  readonly credit: Credit
}

const SHOWN = 8

/** The fewest changes with which the credit lasts, taken together at a press. */
export function EnoughToLast({ part, pending, credit }: EnoughToLastProps) {
  const { session } = useWorkbench()
  const notchText = useNotchText()
  const [showsAll, setShowsAll] = useState(false)
  if (!part) return pending ? <p>Looking for what would make it last…</p> : null
  const { enough } = part
  if (!enough) {
    return (
      <p>
        No set of single changes makes it last until {credit.expires}: run fewer hours, or fewer machines.
      </p>
    )
  }
  const { notches, runway } = enough
  const shown = showsAll ? notches : notches.slice(0, SHOWN)
  const left = runway.end.kind === 'expires' ? formatMoney(runway.end.left, runway.currency) : ''
  return (
    <Box data-testid="enough">
      <p>
        It lasts until {credit.expires}, with {left} left, with{' '}
        {notches.length === 1 ? 'this change' : `these ${notches.length} changes`}:
      </p>
      <ul>
        {shown.map((notch) => (
          <li key={`${notch.machine} ${notch.plate}`}>
            {notch.machine}, {notchText(notch).name}
          </li>
        ))}
        {notches.length > shown.length && (
          <li>
            <QuietButton onPress={() => setShowsAll(true)}>
              and {notches.length - shown.length} more
            </QuietButton>
          </li>
        )}
      </ul>
      <Button
        onPress={() =>
          session.edit(`${notches.length} changes for the credit`, (draft) => {
            for (const { machine, choice } of notches) takeChoice(machine, choice)(draft)
            return undefined
          })
        }
      >
        Take {notches.length === 1 ? 'it' : `all ${notches.length}`}
      </Button>
    </Box>
  )
}

const Box = styled.div`
  display: grid;
  gap: 4px;
  justify-items: start;

  ul {
    display: flex;
    flex-wrap: wrap;
    gap: 1px 16px;
    color: var(--ink-2);
  }
`
