'use client'

import type { ReactNode } from 'react'
import styled from 'styled-components'
import { priceBookFor } from '../../core/catalogue/bookFor.ts'
import { shutdownAfterWindows } from '../../core/calendar/shutdownAfterWindows.ts'
import type { Cause } from '../../core/reconcile/cause.ts'
import { billedEdition } from '../../core/reconcile/billedEdition.ts'
import type { DayHours } from '../../core/reconcile/reconcile.ts'
import type { UnplannedMachine } from '../../files/bill/unplannedMachines.ts'
import { Button } from '../../interface/Button'
import { addAsBilled, addToCleanUp, setAutoShutdown, setMachine, setWeekRule } from '../../store/commands.ts'
import { storageProblem } from '../../store/storageProblem.ts'
import { METER_WORDS } from '../../wording/cause.ts'
import { formatClock } from '../../wording/time'
import { useWorkbench } from '../workbench/WorkbenchContext'
import { billedSize, billedTerms, forgottenPercent } from './causeActions.ts'

interface Action {
  readonly label: string
  readonly act: () => void
}

interface CauseActionsProps {
  readonly cause: Cause
  /** The machine’s time, day by day. */
  readonly hours: readonly DayHours[]
  /** A machine that is not in the plan, as it would have it. */
  readonly unplanned: UnplannedMachine | undefined
  /** The money of the cause as it is shown. */
  readonly amount: string
  /** What else can be pressed. */
  readonly children?: ReactNode
}

/** What follows from a cause, where one press can do it. */
export function CauseActions({ children, ...about }: CauseActionsProps) {
  const actions = useActions(about)
  if (actions.length === 0 && !children) return null
  return (
    <Line>
      {actions.map(({ label, act }) => (
        <Button key={label} onPress={act}>
          {label}
        </Button>
      ))}
      {children}
    </Line>
  )
}

function useActions({ cause, hours, unplanned, amount }: Omit<CauseActionsProps, 'children'>): Action[] {
  const { session, state, month } = useWorkbench()
  const { plan, books } = state
  if (cause.code === 'unplanned-machine' && unplanned) {
    const { machine, week, isNewWeek } = unplanned
    return [
      {
        label: 'Add it to the plan',
        act: () =>
          session.edit(
            `${machine.name}, as it is billed`,
            addAsBilled(machine, isNewWeek ? week : undefined),
          ),
      },
    ]
  }
  if (cause.code === 'left-over' && cause.amount.n > 0n) {
    const what = cause.meter ? `${METER_WORDS[cause.meter]} of ${cause.of}` : cause.of
    const isListed = plan.cleanUp?.some(({ resource }) => resource === what)
    if (isListed) return []
    return [
      {
        label: 'Add it to what to clean up',
        act: () => {
          session.edit(
            `clean up ${what}`,
            addToCleanUp({ resource: what.slice(0, 200), month, cost: amount }),
          )
        },
      },
    ]
  }
  const machine = plan.machines.find(({ name }) => name === cause.of)
  if (!machine) return []
  const book = priceBookFor(machine.provider, books, month)
  const week = plan.weeks.find(({ id }) => id === machine.week)
  if (cause.code === 'more-time' && week) {
    const autoShutdown = shutdownAfterWindows(week)
    const percent = forgottenPercent(cause, hours)
    const { habits } = week
    return [
      ...(autoShutdown === undefined
        ? []
        : [
            {
              label: `Auto-shutdown at ${formatClock(autoShutdown.minute * 60)}`,
              act: () =>
                session.edit(`auto-shutdown of ${week.name}`, setAutoShutdown(week.id, autoShutdown)),
            },
          ]),
      ...(percent === undefined || percent === 0 || habits?.forgottenPercent === percent
        ? []
        : [
            {
              label: `Count it as a habit: forgotten ${percent} of 100 times`,
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
