'use client'

import { addMonths } from '../../core/calendar/yearMonth.ts'
import { THEMES, useTheme } from '../../interface/theme/useTheme'
import { formatMonth } from '../../wording/time'
import { MACHINE_VIEWS, PLAN_VIEWS } from '../workbench/views.ts'
import { savePlan } from '../workbench/saveExport.ts'
import { useChooseFile } from '../workbench/ChooseFile'
import { useMachineActions } from '../workbench/useMachineActions'
import { usePlanDialogs } from '../workbench/planDialogs.ts'
import { useWorkbench } from '../workbench/WorkbenchContext'

interface PlanCommand {
  readonly id: string
  readonly name: string
  readonly keys?: string
  readonly run: () => void
}

/** Everything that can be done from anywhere, by name. */
export function usePlanCommands(): readonly PlanCommand[] {
  const { session, state, address, go, month, machine } = useWorkbench()
  const { plan, undoLabel, redoLabel } = state
  const chooseFile = useChooseFile()
  const { duplicate } = useMachineActions()
  const [, setTheme] = useTheme()
  const { open } = usePlanDialogs()
  const name = address.machine ?? machine?.name
  const months = ([-1, 1] as const).flatMap((step) => {
    const next = addMonths(month, step)
    return next
      ? [{ id: `month-${step}`, name: `Go to ${formatMonth(next)}`, run: () => go({ month: next }) }]
      : []
  })
  return [
    ...PLAN_VIEWS.map((view) => ({
      id: view.id,
      name: `Go to the ${view.name.toLowerCase()}`,
      run: () => go({ view: view.id, machine: undefined }),
    })),
    ...(name === undefined
      ? []
      : MACHINE_VIEWS.map((view) => ({
          id: `view-${view.id}`,
          name: `${view.name} of ${name}`,
          run: () => go({ view: view.id, machine: name }),
        }))),
    ...(undoLabel
      ? [{ id: 'undo', name: `Undo: ${undoLabel}`, keys: 'Ctrl Z', run: () => session.undo() }]
      : []),
    ...(redoLabel
      ? [{ id: 'redo', name: `Redo: ${redoLabel}`, keys: 'Ctrl Y', run: () => session.redo() }]
      : []),
    { id: 'add', name: 'Add a machine from what it needs', run: () => open('add') },
    { id: 'import', name: 'Import a plan, price book or inventory', run: chooseFile },
    {
      id: 'export',
      name: 'Export the plan',
      run: () => void savePlan(session.snapshot().plan),
    },
    { id: 'plans', name: 'Plans: open, new, duplicate, compare, archive', run: () => open('plans') },
    { id: 'money', name: 'Currency, exchange rates and tax', run: () => open('money') },
    { id: 'budget', name: 'Budget and credit', run: () => open('budget') },
    ...(machine && address.machine !== undefined
      ? [
          { id: 'duplicate', name: `Duplicate ${machine.name}`, run: duplicate },
          { id: 'zones', name: `${machine.name} in several zones`, run: () => open('zones') },
          { id: 'life', name: `First and last day of ${machine.name}`, run: () => open('life') },
          { id: 'remove', name: `Delete ${machine.name}`, run: () => open('delete') },
        ]
      : []),
    { id: 'help', name: 'Help: keys and words of this view', keys: '?', run: () => open('help') },
    { id: 'about', name: 'About, and which time zone data', run: () => open('about') },
    ...months,
    ...THEMES.map((theme) => ({
      id: `theme-${theme}`,
      name: theme === 'system' ? 'Theme as the system' : `Theme: ${theme}`,
      run: () => setTheme(theme),
    })),
    ...plan.machines.map((each) => ({
      id: `machine ${each.name}`,
      name: each.name,
      run: () => go({ view: 'gauge', machine: each.name }),
    })),
  ]
}
