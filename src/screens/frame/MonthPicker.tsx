'use client'

import { DialogTrigger, Dialog } from 'react-aria-components'
import styled from 'styled-components'
import {
  addMonths,
  parseYearMonth,
  yearMonthParts,
  FIRST_YEAR,
  LAST_YEAR,
} from '../../core/calendar/yearMonth.ts'
import { Button, QuietButton } from '../../interface/Button'
import { NumberInput } from '../../interface/NumberInput'
import { Popover } from '../../interface/Popover'
import { ToggleRow } from '../../interface/ToggleRow'
import { formatMonth, MONTH_NAMES } from '../../wording/time'
import { useWorkbench } from '../workbench/WorkbenchContext'

/** The month that everything is priced for: one back, one on, or any. */
export function MonthPicker() {
  const { month, address, go } = useWorkbench()
  const printed = address.reading === '730-hours'
  const { year, month: number } = yearMonthParts(month)
  const before = addMonths(month, -1)
  const after = addMonths(month, 1)
  const choose = (toYear: number, toMonth: number): void => {
    const chosen = parseYearMonth(`${toYear}-${String(toMonth).padStart(2, '0')}`)
    if (chosen) go({ month: chosen })
  }
  return (
    <Bar>
      <QuietButton
        aria-label="Previous month"
        isDisabled={!before}
        onPress={() => before && go({ month: before })}
      >
        ‹
      </QuietButton>
      <DialogTrigger>
        <MonthButton aria-label={`Month: ${formatMonth(month)}${printed ? ', read as 730 hours' : ''}`}>
          {formatMonth(month)}
          {printed && <Printed>as 730 h</Printed>}
        </MonthButton>
        <Popover>
          <Picker aria-label="Pick a month">
            {({ close }) => (
              <>
                <NumberInput
                  label="Year"
                  unit={`year, ${FIRST_YEAR} to ${LAST_YEAR}`}
                  value={year}
                  step={1}
                  most={LAST_YEAR}
                  onChange={(next) => choose(Math.max(FIRST_YEAR, next), number)}
                />
                <Months>
                  {MONTH_NAMES.map((name, i) => (
                    <Button
                      key={name}
                      aria-pressed={i + 1 === number}
                      onPress={() => {
                        choose(year, i + 1)
                        close()
                      }}
                    >
                      {name.slice(0, 3)}
                    </Button>
                  ))}
                </Months>
                <ToggleRow
                  label="How the month is read"
                  mode="one"
                  options={[
                    { id: 'calendar', label: 'its true hours' },
                    { id: '730-hours', label: '730 hours, as price lists print it' },
                  ]}
                  chosen={[address.reading]}
                  onChange={([reading]) => reading && go({ reading })}
                />
              </>
            )}
          </Picker>
        </Popover>
      </DialogTrigger>
      <QuietButton aria-label="Next month" isDisabled={!after} onPress={() => after && go({ month: after })}>
        ›
      </QuietButton>
    </Bar>
  )
}

const Bar = styled.div`
  display: flex;
  align-items: center;
`

const MonthButton = styled(QuietButton)`
  min-width: 108px;
  font-weight: 560;
`

const Printed = styled.span`
  margin-left: 6px;
  padding: 0 4px;
  border: 1px solid var(--ink-2);
  font-size: 12px;
`

const Picker = styled(Dialog)`
  padding: 12px;
  display: grid;
  gap: 10px;
  outline: none;
`

const Months = styled.div`
  display: grid;
  grid-template-columns: repeat(4, 1fr);
  gap: 4px;

  [aria-pressed='true'] {
    background: var(--ink);
    color: var(--sheet);
  }
`
