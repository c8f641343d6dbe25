'use client'

import styled from 'styled-components'
import type { Habits } from '../../core/calendar/habits.ts'
import type { WeekPlan } from '../../core/calendar/weekPlan.ts'
import { slowestReturn } from '../../core/machine/slowestReturn.ts'
import type { MachineResult } from '../../core/meter/planPricing.ts'
import { statesWhenOff } from '../../core/machine/whenOff.ts'
import { Dropdown } from '../../interface/Dropdown'
import { formatDuration } from '../../wording/time'
import type { WeekRule } from '../../store/commands.ts'

interface StartsLineProps {
  readonly week: WeekPlan
  readonly result: MachineResult | undefined
  readonly onChange: (rule: WeekRule, label: string) => void
}

const USUAL_LEADS = [1, 2, 5, 10, 15, 30]
const USUAL_HABITS: Habits = { spreadMinutes: 30, forgottenPercent: 10 }

/** Whether machines are started early enough to be ready, and whether a schedule or people switch them. */
export function StartsLine({ week, result, onChange }: StartsLineProps) {
  const { startEarlyMinutes = 0, habits } = week
  const takes = result?.ok ? slowestReturn(result.resolved, statesWhenOff(result.resolved)) : 0
  const needed = Math.ceil(takes / 60)
  const leads = [...new Set([...USUAL_LEADS, needed, startEarlyMinutes])].filter((minutes) => minutes > 0)
  return (
    <Line>
      <span>Machines start</span>
      <Dropdown
        label="When machines start"
        value={String(startEarlyMinutes)}
        options={[
          { id: '0', name: 'when a window begins' },
          ...leads
            .sort((a, b) => a - b)
            .map((minutes) => ({
              id: String(minutes),
              name: `${minutes} min before`,
              ...(minutes === needed && { note: 'ready when it begins' }),
            })),
        ]}
        onChange={(id) => {
          const minutes = Number(id)
          onChange(
            { startEarlyMinutes: minutes > 0 ? minutes : undefined },
            minutes > 0 ? `start ${minutes} min early` : 'start on time',
          )
        }}
      />
      {takes > startEarlyMinutes * 60 && <span>this one is back {formatDuration(takes)} after that</span>}
      <Hand>
        <span>switched by</span>
        <Dropdown
          label="Who switches the machines"
          value={habits ? 'people' : 'schedule'}
          options={[
            { id: 'schedule', name: 'a schedule' },
            { id: 'people', name: 'people', note: 'an expected month beside the plan' },
          ]}
          onChange={(id) =>
            id === 'people'
              ? onChange({ habits: habits ?? USUAL_HABITS }, 'switched by people')
              : onChange({ habits: undefined }, 'switched by a schedule')
          }
        />
      </Hand>
    </Line>
  )
}

const Line = styled.div`
  display: flex;
  flex-wrap: wrap;
  gap: 6px 8px;
  align-items: center;
  margin-top: 10px;
  color: var(--ink-2);
`

const Hand = styled.span`
  display: inline-flex;
  gap: 8px;
  align-items: center;
  margin-left: auto;
`
