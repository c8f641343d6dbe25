'use client'

import { useMemo, useState, type ReactNode } from 'react'
import { lazyPart } from '../../interface/lazyPart'
import { PlanDialogsContext, type PlanDialog } from '../workbench/planDialogs.ts'
import { useMachineActions } from '../workbench/useMachineActions'
import { useWorkbench } from '../workbench/WorkbenchContext'

const AddFromNeed = lazyPart(() => import('../bench/AddFromNeed'), 'AddFromNeed', { says: false })
const BudgetDialog = lazyPart(() => import('../bench/BudgetDialog'), 'BudgetDialog', { says: false })
const DeleteMany = lazyPart(() => import('../bench/DeleteMany'), 'DeleteMany', { says: false })
const PlansDialog = lazyPart(() => import('../plans/PlansDialog'), 'PlansDialog', { says: false })
const AboutDialog = lazyPart(() => import('./AboutDialog'), 'AboutDialog', { says: false })
const LifeDialog = lazyPart(() => import('./LifeDialog'), 'LifeDialog', { says: false })
const MoneyDialog = lazyPart(() => import('./MoneyDialog'), 'MoneyDialog', { says: false })

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
      {shown === 'money' && <MoneyDialog onClose={close} />}
      {shown === 'budget' && <BudgetDialog onClose={close} />}
    </PlanDialogsContext>
  )
}
