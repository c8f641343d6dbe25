'use client'

import styled from 'styled-components'
import { Dropdown } from '../../interface/Dropdown'
import { billsOf } from '../../store/KeptBills.ts'
import { storageProblem } from '../../store/storageProblem.ts'
import { useWorkbench } from '../workbench/WorkbenchContext'

/** A longer list is no choice; whoever has more machines names resources after them. */
const MOST_OFFERED = 500
const NONE = 'not in the plan'

/** A resource of the bill that is of no machine of the plan, and to say of which one it is. */
export function NotPlanned({ resource }: { readonly resource: string }) {
  const { session, state } = useWorkbench()
  const { id, machines } = state.plan
  if (resource === '') return <>no resource</>
  const tie = (machine: string): void => {
    if (id === undefined) return
    billsOf(session)
      .tie(id, resource, machine)
      .catch((error: unknown) => session.say(storageProblem(error)))
  }
  return (
    <Both>
      {resource}
      <Dropdown
        label={`Machine that ${resource} belongs to`}
        value={NONE}
        options={machines.slice(0, MOST_OFFERED).map(({ name }) => ({ id: name, name: `part of ${name}` }))}
        onChange={tie}
      />
    </Both>
  )
}

const Both = styled.span`
  display: grid;
  gap: 2px;
  justify-items: start;

  button {
    font-weight: 400;
  }
`
