'use client'

import { useMemo, useState, type ReactNode } from 'react'
import { AddFromNeed } from '../bench/AddFromNeed'
import { BudgetDialog } from '../bench/BudgetDialog'
import { DeleteMany } from '../bench/DeleteMany'
import { PlansDialog } from '../plans/PlansDialog'
import { AboutDialog } from './AboutDialog'
import { LifeDialog } from './LifeDialog'
import { MoneyDialog } from './MoneyDialog'
import { PlanDialogsContext, type PlanDialog } from '../workbench/planDialogs.ts'
import { useMachineActions } from '../workbench/useMachineActions'
import { useWorkbench } from '../workbench/WorkbenchContext'

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
