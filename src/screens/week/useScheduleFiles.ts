'use client'

import { useMemo } from 'react'
import { formatDate, type DayNumber } from '../../core/calendar/civil.ts'
import type { YearMonth } from '../../core/calendar/yearMonth.ts'
import { priceBookFor } from '../../core/catalogue/bookFor.ts'
import type { PriceBook } from '../../core/catalogue/priceBook.ts'
import { shutdownState } from '../../core/catalogue/statesSold.ts'
import type { Machine, Plan } from '../../core/machine/plan.ts'
import type { Commands } from '../../core/machine/switchActions.ts'
import { isNeverOff } from '../../core/off/offPlan.ts'
import type { SwitchedMachine } from '../../core/timers/switching.ts'
import { exportSchedule, type ScheduleExportInputs } from '../../files/timers/exportSchedule.ts'

type Chosen = Omit<ScheduleExportInputs, 'machines' | 'from' | 'to' | 'commands'>

interface ScheduleQuestion extends Chosen {
  readonly plan: Pick<Plan, 'machines' | 'commands'>
  readonly books: readonly PriceBook[]
  readonly month: YearMonth
  /** The only machine that it is for; undefined for all that share the week. */
  readonly only: Machine | undefined
  readonly dates: { readonly from: DayNumber; readonly to: DayNumber }
}

const USUAL: Commands = {}

/** The files of a week's schedule, and the machines that they switch. */
export function useScheduleFiles(question: ScheduleQuestion) {
  const { plan, books, month, only, dates, week, format, safetyNet, scriptPath, base, made } = question
  const { commands = USUAL } = plan
  const machines = useMemo(
    () =>
      (only ? [only] : plan.machines.filter((other) => other.week === week.id))
        .filter((each) => !isNeverOff(each) && isThere(each, dates))
        .map((each): SwitchedMachine => {
          const book = priceBookFor(each.provider, books, month)
          return { ...each, atShutdown: book && shutdownState(week, book) }
        }),
    [plan.machines, books, month, only, dates, week],
  )
  const exported = useMemo(
    () => exportSchedule({ format, week, machines, safetyNet, ...dates, commands, scriptPath, base, made }),
    [format, week, machines, safetyNet, dates, commands, scriptPath, base, made],
  )
  return { ...exported, machines, commands }
}

/** Whether it is there on any of the dates. */
const isThere = ({ firstDay, lastDay }: Machine, { from, to }: ScheduleQuestion['dates']): boolean =>
  (firstDay === undefined || firstDay <= formatDate(to)) &&
  (lastDay === undefined || lastDay >= formatDate(from))
