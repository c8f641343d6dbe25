'use client'

import { priceBookFor } from '../../core/catalogue/bookFor.ts'
import type { PriceBook } from '../../core/catalogue/priceBook.ts'
import { addMachine, addWeek, setMachine } from '../../store/commands.ts'
import { freeName } from '../../store/recipes.ts'
import { officeWeek } from './emptyPlan.ts'
import { useWorkbench } from './WorkbenchContext'

export interface MachineActions {
  /** The books of this month, one a provider, the open machine's first. */
  readonly providers: readonly PriceBook[]
  readonly add: (book: PriceBook) => Promise<void>
  readonly duplicate: () => void
  readonly rename: (name: string) => void
  /** Where to go from machines that are taken out of the plan. */
  readonly leave: (removed: ReadonlySet<string>) => void
}

/** What can be done with machines as a whole; the address follows. */
export function useMachineActions(): MachineActions {
  const { session, state, month, machine, go } = useWorkbench()
  const { plan, books } = state
  const names = plan.machines.map(({ name }) => name)
  const providers = [...new Set([machine?.provider, ...books.map(({ provider }) => provider.id)])].flatMap(
    (id) => {
      const found = id === undefined ? undefined : priceBookFor(id, books, month)
      return found ?? []
    },
  )
  return {
    providers,
    add: async (book) => {
      const { newMachine } = await import('../../core/carry/newMachine.ts')
      const week = plan.weeks[0] ?? officeWeek('office-days', 'Office days')
      const added = newMachine(book, freeName('test-machine', names), week)
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
    leave: (removed) => {
      if (!machine || !removed.has(machine.name)) return
      const at = names.indexOf(machine.name)
      go({ machine: names[at + 1] ?? names[at - 1] })
    },
  }
}
