'use client'

import { createContext, useContext, useMemo, useState, type ReactNode } from 'react'
import { AddFromNeed } from '../bench/AddFromNeed'
import { BudgetDialog } from '../bench/BudgetDialog'
import { DeleteMany } from '../bench/DeleteMany'
import { PlansDialog } from '../plans/PlansDialog'
import { AboutDialog } from './AboutDialog'
import { LifeDialog } from './LifeDialog'
import { MoneyDialog } from './MoneyDialog'
import { useMachineActions } from './useMachineActions'
import { useWorkbench } from './WorkbenchContext'

type PlanDialog = 'add' | 'plans' | 'money' | 'budget' | 'about' | 'life' | 'delete'

interface PlanDialogsValue {
  readonly open: (dialog: PlanDialog) => void
}

const PlanDialogsContext = createContext<PlanDialogsValue | undefined>(undefined)

/** Dialogs of the plan that many places open: the bar, the bench, the palette. */
export function PlanDialogs({ children }: { readonly children: ReactNode }) {
  const [shown, setShown] = useState<PlanDialog>()
  const value = useMemo(() => ({ open: setShown }), [])
  const { machine } = useWorkbench()
  const { leave } = useMachineActions()
  const close = (): void => setShown(undefined)
  return (
    <PlanDialogsContext value={value}>
      {children}
      {shown === 'add' && <AddFromNeed onClose={close} />}
      {shown === 'about' && <AboutDialog onClose={close} />}
      {machine && shown === 'life' && <LifeDialog machine={machine} onClose={close} />}
      {machine && shown === 'delete' && (
        <DeleteMany names={new Set([machine.name])} onDeleted={leave} onClose={close} />
      )}
      {shown === 'plans' && <PlansDialog onClose={close} />}
      <MoneyDialog isOpen={shown === 'money'} onClose={close} />
      <BudgetDialog isOpen={shown === 'budget'} onClose={close} />
    </PlanDialogsContext>
  )
}

export function usePlanDialogs(): PlanDialogsValue {
  const value = useContext(PlanDialogsContext)
  if (!value) throw new Error('usePlanDialogs is used outside the workbench')
  return value
}
