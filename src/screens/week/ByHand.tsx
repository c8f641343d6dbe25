'use client'

import { useMemo } from 'react'
import styled from 'styled-components'
import { expectedMonth } from '../../core/advice/expectedMonth.ts'
import {
  MOST_IDLE_MINUTES,
  MOST_SPREAD_MINUTES,
  type Habits,
  type IdleRule,
} from '../../core/calendar/habits.ts'
import type { MachineResult } from '../../core/meter/planPricing.ts'
import { NumberInput } from '../../interface/NumberInput'
import { Tick } from '../../interface/Tick'
import { formatMoney } from '../../wording/money'

interface ByHandProps {
  readonly habits: Habits
  readonly result: MachineResult | undefined
  readonly onChange: (habits: Habits, label: string) => void
}

const USUAL_IDLE: IdleRule = { afterMinutes: 30, unusedMinutes: 60 }

/** What people do in place of a schedule, as the user guesses it, and the month that is then expected. */
export function ByHand({ habits, result, onChange }: ByHandProps) {
  const { spreadMinutes, forgottenPercent, idle } = habits
  const expected = useMemo(
    () =>
      result?.ok ? expectedMonth(result.resolved, result.month, habits, result.account.planned) : undefined,
    [result, habits],
  )
  const setIdle = (part: Partial<IdleRule>, label: string): void =>
    onChange({ ...habits, idle: { ...USUAL_IDLE, ...idle, ...part } }, label)
  return (
    <Section aria-label="By hand">
      <Line>
        <span>They start within</span>
        <NumberInput
          label="Minutes before or after"
          unit="min of the time,"
          value={spreadMinutes}
          step={5}
          most={MOST_SPREAD_MINUTES}
          onChange={(value) => onChange({ ...habits, spreadMinutes: value }, 'start times')}
        />
        <span>and forget to switch off</span>
        <NumberInput
          label="Percent forgotten"
          unit="times of 100."
          value={forgottenPercent}
          step={1}
          most={100}
          onChange={(value) => onChange({ ...habits, forgottenPercent: value }, 'how often it is forgotten')}
        />
      </Line>
      <Line>
        <Tick
          label="Off when idle"
          checked={idle !== undefined}
          onChange={(checked) => {
            const { idle: _, ...others } = habits
            onChange(
              checked ? { ...others, idle: USUAL_IDLE } : others,
              checked ? 'idle rule' : 'no idle rule',
            )
          }}
        />
        {idle && (
          <>
            <NumberInput
              label="Minutes without use"
              unit="min after its last use; each window is unused for"
              value={idle.afterMinutes}
              step={5}
              most={MOST_IDLE_MINUTES}
              onChange={(afterMinutes) =>
                setIdle({ afterMinutes: Math.max(1, afterMinutes) }, 'wait of the idle rule')
              }
            />
            <NumberInput
              label="Minutes unused in a window"
              unit="min in one stretch."
              value={idle.unusedMinutes}
              step={5}
              most={MOST_IDLE_MINUTES}
              onChange={(unusedMinutes) => setIdle({ unusedMinutes }, 'guess of what is unused')}
            />
          </>
        )}
      </Line>
      {result?.ok && expected && (
        <Expected data-testid="expected-month">
          <span>Expected, by this guess</span>
          <b>{formatMoney(expected.expected, result.estimate.currency)}</b>
          <span>
            between {formatMoney(expected.low, result.estimate.currency)} and{' '}
            {formatMoney(expected.high, result.estimate.currency)}; the plan is{' '}
            {formatMoney(result.estimate.total, result.estimate.currency)}, and all other figures are the
            plan’s.
          </span>
        </Expected>
      )}
    </Section>
  )
}

const Section = styled.section`
  margin-top: 6px;
  padding: 6px 10px;
  border-left: 4px solid var(--held);
  background: var(--paper);
  color: var(--ink-2);
`

const Line = styled.div`
  display: flex;
  flex-wrap: wrap;
  gap: 4px 8px;
  align-items: center;
  min-height: 30px;
`

const Expected = styled.p`
  display: flex;
  flex-wrap: wrap;
  gap: 0 10px;
  align-items: baseline;
  margin: 4px 0 0;

  b {
    font-size: 16px;
    color: var(--ink);
  }
`
