'use client'

import { useMemo } from 'react'
import styled from 'styled-components'
import { changeTotal } from '../../core/advice/changeTotal.ts'
import type { WeekPlan } from '../../core/calendar/weekPlan.ts'
import { nearWeeks, type NearKind, type NearWeek } from '../../core/decisions/nearWeeks.ts'
import { compare, sign } from '../../core/quantity/exact.ts'
import { Button } from '../../interface/Button'
import { formatMoney, SHOWN_DECIMALS } from '../../wording/money'
import { setWeek } from '../../store/commands.ts'
import { DetailsToggle } from '../month/DetailsToggle'
import { useWorkbench } from '../workbench/WorkbenchContext'
import { ChangedMachines } from '../workbench/ChangedMachines'
import { useChanges } from './useChanges'

const NAMES: Record<NearKind, string> = {
  'hour-less': 'Every window ends an hour earlier',
  'hour-later': 'Every window begins an hour later',
  'day-less': 'The last day off',
  merged: 'On through the breaks of each day',
  holidays: 'Days off of the plan’s other weeks kept too',
  'nine-to-five': 'Nine to five, Monday to Friday',
  always: 'Always on',
}

/** Weeks next to this one, and what each would cost or save over all machines that share it. Taken at a press. */
export function NearSchedules({ week }: { readonly week: WeekPlan }) {
  const { session, state, month } = useWorkbench()
  const { plan } = state
  const all = useMemo(() => besides(week, plan.weeks), [week, plan.weeks])
  const weeks = useMemo(() => all.map((each) => each.week), [all])
  const { changes, failure } = useChanges(weeks)
  if (all.length === 0) return null
  const rows = all
    .map(({ kind, week: other }, i) => {
      const ofMachines = changes?.[i]
      const total = ofMachines && changeTotal(ofMachines, plan, month, SHOWN_DECIMALS)
      return { kind, other, ofMachines, total }
    })
    .sort((a, b) => (a.total && b.total ? compare(a.total.difference, b.total.difference) : 0))
  return (
    <Section aria-labelledby="near-title" aria-busy={(!changes && !failure) || undefined}>
      <h2 id="near-title">Next to this week</h2>
      {failure && <p role="alert">{failure}</p>}
      <ul>
        {rows.map(({ kind, other, ofMachines, total }) => (
          <li key={kind}>
            <span>{NAMES[kind]}</span>
            <b>
              {total
                ? `${sign(total.difference) > 0 ? '+' : ''}${formatMoney(total.difference, total.currency)}`
                : '…'}
            </b>
            <Button
              aria-label={`Take: ${NAMES[kind]}`}
              onPress={() =>
                session.edit(
                  `${week.name}: ${NAMES[kind].toLowerCase()}`,
                  setWeek(week.id, { windows: other.windows, exceptions: other.exceptions }),
                )
              }
            >
              Take
            </Button>
            {ofMachines && ofMachines.length > 0 && (
              <Each>
                <DetailsToggle
                  label={ofMachines.length === 1 ? 'its machine' : `${ofMachines.length} machines`}
                >
                  <ChangedMachines changes={ofMachines} />
                </DetailsToggle>
              </Each>
            )}
          </li>
        ))}
      </ul>
    </Section>
  )
}

/** What the plan has under another name is worth a look here too: it is this week that would change, under its own. */
const besides = (week: WeekPlan, weeks: readonly WeekPlan[]): NearWeek[] =>
  [...nearWeeks(week, [week]), ...nearWeeks(week, weeks).filter(({ kind }) => kind === 'holidays')].map(
    (near) => ({ ...near, week: { ...near.week, id: week.id, name: week.name } }),
  )

const Section = styled.section`
  margin-top: 12px;
  padding-top: 8px;
  border-top: 1px solid var(--rule);
  color: var(--ink-2);

  ul {
    margin-top: 2px;
  }
  li {
    display: grid;
    grid-template-columns: minmax(0, 1fr) 84px auto 96px;
    gap: 0 12px;
    align-items: center;
    padding: 1px 0;
    color: var(--ink);
  }
  b {
    font-weight: 600;
    text-align: right;
    white-space: nowrap;
  }
`

const Each = styled.div`
  display: contents;

  > div {
    display: contents;
  }
  [role='group'] {
    grid-column: 1 / -1;
  }
`
