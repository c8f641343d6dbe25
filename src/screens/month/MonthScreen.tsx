'use client'

import { useMemo } from 'react'
import styled from 'styled-components'
import { weekdayOf, type DayNumber } from '../../core/calendar/civil.ts'
import type { Machine } from '../../core/machine/plan.ts'
import { shownDays } from '../../core/ledger/shownDays.ts'
import type { PricedMachine } from '../../core/meter/planPricing.ts'
import { moneyInPlan } from '../../wording/moneyInPlan'
import { readingText } from '../../wording/reading'
import { formatHours, formatMonth } from '../../wording/time'
import { useWorkbench } from '../workbench/WorkbenchContext'
import { DayDetail } from './DayDetail'
import { MonthGrid } from './MonthGrid'
import { OtherMonth } from './OtherMonth'
import { Beside } from './MonthSection'
import { TwelveMonths } from './TwelveMonths'

/** The open machine's month as a calendar: each day's states and cost; one day in full; the twelve months from here. */
export function MonthScreen() {
  const { machine, result } = useWorkbench()
  if (!machine || !result?.ok) return null
  return <PricedMonth machine={machine} priced={result} />
}

function PricedMonth({ machine, priced }: { readonly machine: Machine; readonly priced: PricedMachine }) {
  const { address, mend, month, state } = useWorkbench()
  const { estimate, resolved } = priced
  const days = useMemo(() => shownDays(estimate, resolved.week.timeZone), [estimate, resolved])
  // A date of another month, as in an old link, opens the first day.
  const open = days.find(({ day }) => day === address.day) ?? days[0]!
  const choose = (day: DayNumber): void => mend({ day })
  return (
    <>
      <Title>
        {formatMonth(month)}{' '}
        <Beside>
          {formatHours(estimate.onTime)} on, {estimate.starts} starts,{' '}
          {moneyInPlan(estimate.total, estimate.currency, state.plan, month)}
          {readingText(address.reading)}, days of {resolved.week.timeZone}
        </Beside>
      </Title>
      <OtherMonth priced={priced} />
      <MonthGrid
        days={days}
        firstColumn={weekdayOf(days[0]!.day)}
        open={open.day}
        estimate={estimate}
        week={resolved.week}
        onOpen={choose}
      />
      <DayDetail cost={open} estimate={estimate} resolved={resolved} />
      <TwelveMonths machine={machine} />
    </>
  )
}

const Title = styled.h2`
  margin-top: 10px;
`
