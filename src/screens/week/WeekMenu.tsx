'use client'

import { useState } from 'react'
import type { WeekPlan } from '../../core/calendar/weekPlan.ts'
import { Menu } from '../../interface/Menu'
import { addWeek, removeWeek, setMachine, setWeek } from '../../store/commands.ts'
import { freeName } from '../../store/recipes.ts'
import { RenameDialog } from '../workbench/EditableName'
import { officeWeek } from '../workbench/emptyPlan'
import { useWorkbench } from '../workbench/WorkbenchContext'
import { ScheduleImport } from './ScheduleImport'

/** Weeks as a whole: a new one, a copy for this machine alone, another name, and removal of one nobody uses. */
export function WeekMenu({ week }: { readonly week: WeekPlan }) {
  const { session, state, machine } = useWorkbench()
  const [renaming, setRenaming] = useState(false)
  const [importing, setImporting] = useState(false)
  const { weeks, machines } = state.plan
  const unused = weeks.filter(({ id }) => machines.every((other) => other.week !== id))
  const assignNew = (label: string, made: WeekPlan): void => {
    if (!machine) return
    session.edit(label, (draft) => {
      addWeek(made)(draft)
      setMachine(machine.name, { week: made.id })(draft)
    })
  }
  const named = (name: string): { id: string; name: string } => ({
    id: freeName(
      'week 1',
      weeks.map(({ id }) => id.replace('-', ' ')),
    ).replace(' ', '-'),
    name: freeName(
      name,
      weeks.map((other) => other.name),
    ),
  })
  return (
    <>
      <RenameDialog
        label="Week name"
        isOpen={renaming}
        onClose={() => setRenaming(false)}
        name={week.name}
        taken={weeks.map(({ name }) => name).filter((name) => name !== week.name)}
        most={60}
        onRename={(name) => session.edit(`rename ${week.name}`, setWeek(week.id, { name }))}
      />
      {importing && (
        <ScheduleImport
          onClose={() => setImporting(false)}
          onTake={({ from: _, to: __, name, ...rest }) =>
            assignNew(`week from a file`, { ...rest, ...named(name) })
          }
        />
      )}
      <Menu
        label="Week"
        button="Week ⋯"
        entries={[
          { id: 'rename', label: 'Rename the week…', onAction: () => setRenaming(true) },
          {
            id: 'copy',
            label: 'Copy for this machine alone',
            onAction: () => assignNew(`copy ${week.name}`, { ...week, ...named(week.name) }),
          },
          {
            id: 'new',
            label: 'New week for this machine',
            onAction: () => {
              const { id, name } = named('Office days')
              assignNew(`new week`, officeWeek(id, name))
            },
          },
          { id: 'import', label: 'New week from a schedule file…', onAction: () => setImporting(true) },
          ...unused.map(({ id, name }) => ({
            id: `remove-${id}`,
            label: `Delete ${name}, which no machine uses`,
            onAction: () => session.edit(`delete ${name}`, removeWeek(id)),
          })),
        ]}
      />
    </>
  )
}
