'use client'

import { useMemo } from 'react'
import styled from 'styled-components'
import { isTimeZone } from '../../core/calendar/zoneOffsets.ts'
import type { PlanFromBill } from '../../files/bill/planFromBill.ts'
import { Button } from '../../interface/Button'
import { Progress } from '../../interface/Progress'
import { billsOf, type BillOfPlan } from '../../store/KeptBills.ts'
import { openPlan, replaceOpenPlan } from '../../store/openPlan.ts'
import { storageProblem } from '../../store/storageProblem.ts'
import { fromBillAsker } from '../../workers/askers.ts'
import { useAnswer } from '../../workers/useAnswer.ts'
import { formatMoney } from '../../wording/money'
import { formatNumber } from '../../wording/number'
import { formatMonth } from '../../wording/time'
import { IssueList } from '../workbench/IssueList'
import { useWorkbench } from '../workbench/WorkbenchContext'
import { BillLine, BillTable } from './BillPage'

const here = (): string => {
  const zone = Intl.DateTimeFormat().resolvedOptions().timeZone
  return isTimeZone(zone) ? zone : 'Etc/UTC'
}

const MOST_SHOWN = 40

/** What a bill would be as a plan, and the press that makes it one. */
export function PlanFromBillPart({
  bill,
  onMade,
}: {
  readonly bill: BillOfPlan
  readonly onMade?: () => void
}) {
  const { session, state, go } = useWorkbench()
  const { bytes, month } = bill
  const asked = useMemo(() => ({ bytes, month, timeZone: here() }), [bytes, month])
  const { answer, failure, again } = useAnswer(fromBillAsker, asked)
  if (failure !== undefined) {
    return (
      <p role="alert">
        {failure} <Button onPress={again}>Try again</Button>
      </p>
    )
  }
  if (!answer) return <Progress label="Putting its machines together…" done={0} of={1} />
  if (!answer.ok) return <IssueList issues={answer.issues} />
  const { plan, fits, savings, others, books } = answer.value
  const make = async (): Promise<void> => {
    const made = { ...plan, id: crypto.randomUUID() }
    try {
      for (const book of books) await session.books.add(book)
      await billsOf(session).keep(made.id, [bill])
    } catch (error) {
      return session.say(storageProblem(error))
    }
    if (state.plan.machines.length === 0)
      replaceOpenPlan(session, `make a plan of the bill of ${month}`, made)
    else await openPlan(session, made)
    onMade?.()
    go({ machine: made.machines[0]?.name, month, view: 'bench' })
  }
  if (plan.machines.length === 0) return <p>No machine is on this bill: nothing on it has machine time.</p>
  return (
    <Part>
      <p>
        {formatNumber(plan.machines.length)} {plan.machines.length === 1 ? 'machine' : 'machines'} with size,
        place, disks and hours as they were billed in {formatMonth(month)}, and a price book of what is on the
        bill. Its prices know these sizes alone, so there is nothing to compare them with.
      </p>
      {savings.map((saving) => (
        <Saving key={saving.currency}>
          On from 8 to 18 on working days alone,{' '}
          {saving.machines === 1 ? 'one of them' : `${saving.machines} of them`} would have cost{' '}
          <b>{formatMoney(saving.saved, saving.currency)} less</b>.
        </Saving>
      ))}
      <BillLine>
        <Button onPress={() => void make()}>Make it a plan</Button>
      </BillLine>
      <Machines plan={plan} fits={fits} />
      {others.length > 0 && (
        <p>
          Of no machine, and not in the plan: {others.slice(0, MOST_SHOWN).join(', ')}
          {others.length > MOST_SHOWN && ` and ${others.length - MOST_SHOWN} more`}.
        </p>
      )}
    </Part>
  )
}

function Machines({ plan, fits }: Pick<PlanFromBill, 'plan' | 'fits'>) {
  const weeks = new Map(plan.weeks.map(({ id, name }) => [id, name]))
  return (
    <BillTable>
      <thead>
        <tr>
          <th scope="col">machine</th>
          <th scope="col">size</th>
          <th scope="col">hours</th>
          <th scope="col">fit</th>
        </tr>
      </thead>
      <tbody>
        {plan.machines.slice(0, MOST_SHOWN).map(({ name, size, week }) => (
          <tr key={name}>
            <th scope="row">{name}</th>
            <td>{size}</td>
            <td>{weeks.get(week)}</td>
            <td>{Math.round((fits.get(name) ?? 0) * 100)} %</td>
          </tr>
        ))}
      </tbody>
    </BillTable>
  )
}

const Part = styled.div`
  display: grid;
  gap: 10px;
`

const Saving = styled.p`
  b {
    color: var(--save);
  }
`
