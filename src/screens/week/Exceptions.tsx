'use client'

import { useState } from 'react'
import styled from 'styled-components'
import { sortExceptions, type WeekException } from '../../core/calendar/weekException.ts'
import type { WeekPlan } from '../../core/calendar/weekPlan.ts'
import { Button, QuietButton } from '../../interface/Button'
import { Dropdown } from '../../interface/Dropdown'
import { TextInput } from '../../interface/TextInput'
import { datesText, DOES_TEXT, readDates } from './exceptionText.ts'
import { HolidayImport } from './HolidayImport'

interface ExceptionsProps {
  readonly week: WeekPlan
  readonly onChange: (exceptions: readonly WeekException[], label: string) => void
}

/** More than these are counted, and opened on demand. */
const SHOWN = 6

/** Dates on which the week does not go as written: holidays, shut-downs, a release that runs through. */
export function Exceptions({ week, onChange }: ExceptionsProps) {
  const { exceptions } = week
  const [does, setDoes] = useState<WeekException['does']>('off')
  const [importing, setImporting] = useState(false)
  const [all, setAll] = useState(false)
  const shown = all ? exceptions : exceptions.slice(0, SHOWN)
  const add = (more: readonly WeekException[], label: string): void =>
    onChange(sortExceptions([...exceptions, ...more]), label)
  return (
    <Section aria-label="Exceptions">
      <h2>Exceptions</h2>
      <Lines>
        {shown.map((exception) => (
          <li key={`${exception.from} ${exception.to} ${exception.does}`}>
            <span>{datesText(exception)}</span> <Does>{DOES_TEXT[exception.does]}</Does>
            {exception.name && <Name>{exception.name}</Name>}
            <QuietButton
              aria-label={`Delete ${datesText(exception)}`}
              onPress={() =>
                onChange(
                  exceptions.filter((each) => each !== exception),
                  `delete ${datesText(exception)}`,
                )
              }
            >
              ✕
            </QuietButton>
          </li>
        ))}
        {exceptions.length > SHOWN && (
          <li>
            <QuietButton onPress={() => setAll(!all)}>
              {all ? 'show fewer' : `${exceptions.length - SHOWN} more`}
            </QuietButton>
          </li>
        )}
      </Lines>
      <Add>
        <span>The week</span>
        <Dropdown
          label="What an exception does"
          value={does}
          options={[
            { id: 'off', name: DOES_TEXT.off, note: 'windows that start on these dates are left out' },
            { id: 'on', name: DOES_TEXT.on, note: 'on from midnight to midnight' },
          ]}
          onChange={(next) => setDoes(next === 'on' ? 'on' : 'off')}
        />
        <span>on</span>
        <TextInput
          label="Dates of an exception"
          value=""
          wide
          floating
          whenEmpty="2027-12-24 to 2027-12-31"
          check={(text) => {
            const read = readDates(text)
            return read.ok ? undefined : read.problem
          }}
          onCommit={(text) => {
            const read = readDates(text)
            if (!read.ok) return
            add(
              read.dates.map((dates) => ({ ...dates, does })),
              `${DOES_TEXT[does]} ${read.dates.map(datesText).join(', ')}`,
            )
          }}
        />
        <Button onPress={() => setImporting(true)}>From a calendar file…</Button>
      </Add>
      {importing && (
        <HolidayImport
          week={week}
          onTake={(taken, file) => add(taken, `exceptions of ${file}`)}
          onClose={() => setImporting(false)}
        />
      )}
    </Section>
  )
}

const Section = styled.section`
  margin-top: 10px;
  color: var(--ink-2);
`

const Lines = styled.ul`
  display: flex;
  flex-wrap: wrap;
  gap: 0 18px;

  li {
    display: flex;
    gap: 6px;
    align-items: center;
    min-height: 26px;
    color: var(--ink);
  }
`

const Does = styled.span`
  color: var(--ink-2);
`

const Name = styled.b`
  font-weight: 600;
`

const Add = styled.div`
  display: flex;
  flex-wrap: wrap;
  gap: 6px 8px;
  align-items: center;
  margin-top: 4px;

  & > div:nth-of-type(2) {
    flex: 1;
    min-width: 180px;
    max-width: 320px;
  }
`
