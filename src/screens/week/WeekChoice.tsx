'use client'

import { Dropdown } from '../../interface/Dropdown'
import { setMachine } from '../../store/commands.ts'
import { useWorkbench } from '../workbench/WorkbenchContext'

/** Which of the plan's weeks the open machine keeps. */
export function WeekChoice() {
  const { session, state, machine } = useWorkbench()
  if (!machine) return null
  return (
    <Dropdown
      label="Week of this machine"
      value={machine.week}
      options={state.plan.weeks.map(({ id, name, timeZone }) => ({ id, name, note: timeZone }))}
      onChange={(id) => session.edit(`${machine.name}: week`, setMachine(machine.name, { week: id }))}
    />
  )
}
