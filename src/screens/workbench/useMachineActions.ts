'use client'

import { newMachine } from '../../core/machine/newMachine.ts'
import { addMachine, addWeek, freeName, removeMachine, setMachine } from '../../store/commands.ts'
import { officeWeek } from './emptyPlan.ts'
import { useWorkbench } from './WorkbenchContext'

export interface MachineActions {
  readonly canAdd: boolean
  readonly add: () => void
  readonly duplicate: () => void
  readonly rename: (name: string) => void
  readonly remove: () => void
}

/** What can be done with machines as a whole; the address follows. */
export function useMachineActions(): MachineActions {
  const { session, state, machine, go } = useWorkbench()
  const { plan, books } = state
  const names = plan.machines.map(({ name }) => name)
  const book = books.find(({ provider }) => provider.id === machine?.provider) ?? books[0]
  return {
    canAdd: book !== undefined,
    add: () => {
      const week = plan.weeks[0] ?? officeWeek('office-days', 'Office days')
      const added = book && newMachine(book, freeName('test-machine', names), week)
      if (!added) return
      session.edit(`add ${added.name}`, (draft) => {
        if (plan.weeks.length === 0) addWeek(week)(draft)
        addMachine(added)(draft)
      })
      go({ machine: added.name, view: 'gauge' })
    },
    duplicate: () => {
      if (!machine) return
      const name = freeName(machine.name, names)
      session.edit(`duplicate ${machine.name}`, addMachine({ ...machine, name }))
      go({ machine: name })
    },
    rename: (name) => {
      if (!machine) return
      session.edit(`rename ${machine.name}`, setMachine(machine.name, { name }))
      go({ machine: name })
    },
    remove: () => {
      if (!machine) return
      const at = names.indexOf(machine.name)
      session.edit(`remove ${machine.name}`, removeMachine(machine.name))
      go({ machine: names[at + 1] ?? names[at - 1] })
    },
  }
}
