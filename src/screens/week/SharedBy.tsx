'use client'

import { useMemo, useState } from 'react'
import styled from 'styled-components'
import { changeTotal } from '../../core/advice/changeTotal.ts'
import type { MachineChange } from '../../core/advice/planChange.ts'
import type { WeekPlan } from '../../core/calendar/weekPlan.ts'
import { sign } from '../../core/quantity/exact.ts'
import { QuietButton } from '../../interface/Button'
import { formatMoney, SHOWN_DECIMALS } from '../../wording/money'
import { replaceWeek } from '../../store/commands.ts'
import { DetailsToggle } from '../month/DetailsToggle'
import { useWorkbench } from '../workbench/WorkbenchContext'
import { ChangedMachines } from '../workbench/ChangedMachines'
import { useChanges } from './useChanges'

/** Who shares the week, and what its changes since it was opened do to each of them; back to then at a press. */
export function SharedBy({ week }: { readonly week: WeekPlan }) {
  const { session, state, month } = useWorkbench()
  const [opened] = useState(week)
  const then = useMemo(() => (opened === week ? [] : [opened]), [opened, week])
  const { changes } = useChanges(then)
  const sharers = state.plan.machines.filter((machine) => machine.week === week.id).length
  // Asked the other way round, since it is the plan as it stands that others are set against.
  const since = changes?.[0]?.map(({ before, after, ...rest }): MachineChange => ({
    ...rest,
    before: after,
    after: before,
  }))
  const total = since && changeTotal(since, state.plan, month, SHOWN_DECIMALS)
  return (
    <>
      <span>
        {sharers === 1 ? 'used by this machine alone' : `shared by ${sharers} machines, all change with it`}
      </span>
      {since && total && sign(total.difference) !== 0 && (
        <Since>
          <span>
            since you opened it{' '}
            <b>
              {sign(total.difference) > 0 ? '+' : ''}
              {formatMoney(total.difference, total.currency)}
            </b>{' '}
            a month
          </span>
          <DetailsToggle label={since.length === 1 ? 'its machine' : `${since.length} machines`}>
            <ChangedMachines changes={since} />
          </DetailsToggle>
          <QuietButton onPress={() => session.edit(`${week.name}: as it was opened`, replaceWeek(opened))}>
            Back to then
          </QuietButton>
        </Since>
      )}
    </>
  )
}

const Since = styled.div`
  order: 1;
  width: 100%;
  display: grid;
  grid-template-columns: auto auto 1fr;
  gap: 0 10px;
  align-items: center;
  justify-items: start;

  > div {
    display: contents;
  }
  [role='group'] {
    grid-column: 1 / -1;
    grid-row: 2;
  }

  b {
    color: var(--ink);
  }
`
