'use client'

import styled from 'styled-components'
import { priceBookFor } from '../../core/catalogue/bookFor.ts'
import type { Weekday } from '../../core/calendar/civil.ts'
import type { Cause } from '../../core/reconcile/cause.ts'
import { billedEdition } from '../../core/reconcile/billedEdition.ts'
import { Button } from '../../interface/Button'
import { setAutoShutdown, setMachine, setWeekRule } from '../../store/commands.ts'
import { storageProblem } from '../../store/storageProblem.ts'
import { formatClock } from '../../wording/time'
import { useWorkbench } from '../workbench/WorkbenchContext'
import { billedSize, billedTerms, forgottenPercent, shutdownMinute } from './causeActions.ts'

const EVERY_DAY: readonly Weekday[] = [0, 1, 2, 3, 4, 5, 6]

interface Action {
  readonly label: string
  readonly act: () => void
}

interface CauseActionsProps {
  readonly cause: Cause
  /** Days that are compared. */
  readonly dates: readonly string[]
}

/** What follows from a cause, where one press can do it. */
export function CauseActions(props: CauseActionsProps) {
  const actions = useActions(props)
  if (actions.length === 0) return null
  return (
    <Line>
      {actions.map(({ label, act }) => (
        <Button key={label} onPress={act}>
          {label}
        </Button>
      ))}
    </Line>
  )
}

function useActions({ cause, dates }: CauseActionsProps): Action[] {
  const { session, state, month } = useWorkbench()
  const { plan, books } = state
  const machine = plan.machines.find(({ name }) => name === cause.of)
  if (!machine) return []
  const book = priceBookFor(machine.provider, books, month)
  const week = plan.weeks.find(({ id }) => id === machine.week)
  if (cause.code === 'more-time' && week) {
    const minute = shutdownMinute(week)
    const percent = forgottenPercent(cause, dates)
    const { habits } = week
    return [
      ...(minute === undefined
        ? []
        : [
            {
              label: `Auto-shutdown at ${formatClock(minute * 60)}`,
              act: () =>
                session.edit(
                  `auto-shutdown of ${week.name}`,
                  setAutoShutdown(week.id, { minute, days: EVERY_DAY }),
                ),
            },
          ]),
      ...(habits?.forgottenPercent === percent || percent === 0
        ? []
        : [
            {
              label: `Count it as a habit: ${percent} of 100 days`,
              act: () =>
                session.edit(
                  `habits of ${week.name}`,
                  setWeekRule(week.id, {
                    habits: { spreadMinutes: 0, ...habits, forgottenPercent: percent },
                  }),
                ),
            },
          ]),
    ]
  }
  if (cause.code === 'other-size' && book) {
    const size = billedSize(cause, book)
    if (size === undefined || size === machine.size) return []
    return [
      {
        label: 'Plan it as it is',
        act: () => session.edit(`${machine.name} as it is billed`, setMachine(machine.name, { size })),
      },
    ]
  }
  if (cause.code === 'other-terms' && book) {
    const terms = billedTerms(cause, machine, book)
    if (terms === undefined || terms === machine.terms) return []
    return [
      {
        label: 'Plan it on these terms',
        act: () => session.edit(`terms of ${machine.name} as billed`, setMachine(machine.name, { terms })),
      },
    ]
  }
  const edition = cause.code === 'price' && book ? billedEdition(book, machine, cause) : undefined
  if (!edition) return []
  return [
    {
      label: 'Make an edition from the bill',
      act: () =>
        void session.books.add(edition).catch((error: unknown) => session.say(storageProblem(error))),
    },
  ]
}

const Line = styled.div`
  display: flex;
  flex-wrap: wrap;
  gap: 6px;

  button {
    font-size: 12px;
    white-space: normal;
    text-align: left;
  }
`
