'use client'

import styled from 'styled-components'
import { formatDate, parseDate, type DayNumber } from '../../core/calendar/civil.ts'
import type { WeekPlan } from '../../core/calendar/weekPlan.ts'
import { TextInput } from '../../interface/TextInput'

interface DatesOffProps {
  readonly week: WeekPlan
  readonly onChange: (dates: readonly DayNumber[]) => void
}

const splitDates = (text: string): string[] => text.split(/[\s,;]+/).filter((part) => part !== '')

/** Dates on which the week's windows do not start, such as holidays, as a line of text. */
export function DatesOff({ week, onChange }: DatesOffProps) {
  return (
    <Line>
      <TextInput
        label="Dates off"
        showLabel
        wide
        value={week.datesOff.map(formatDate).join(', ')}
        check={(text) => {
          const wrong = splitDates(text).find((part) => parseDate(part) === undefined)
          return wrong && `“${wrong}” is not a date. Write dates like 2027-03-19, with commas between.`
        }}
        onCommit={(text) => {
          const days = splitDates(text).flatMap((part) => parseDate(part) ?? [])
          onChange([...new Set(days)].sort((a, b) => a - b))
        }}
      />
    </Line>
  )
}

const Line = styled.div`
  margin-top: 10px;
  color: var(--ink-2);

  & > div {
    grid-template-columns: auto minmax(0, 1fr);
    align-items: center;
    gap: 10px;
  }
`
