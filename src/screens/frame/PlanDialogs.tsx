'use client'

import { useEffect, useMemo, useState, type ReactNode } from 'react'
import { lazyDialog } from '../../interface/lazyDialog'
import { PlanDialogsContext, type PlanDialog } from '../workbench/planDialogs.ts'
import { useMachineActions } from '../workbench/useMachineActions'
import { useWorkbench } from '../workbench/WorkbenchContext'

const AddFromNeed = lazyDialog(() => import('../bench/AddFromNeed'), 'AddFromNeed')
const BudgetDialog = lazyDialog(() => import('../bench/BudgetDialog'), 'BudgetDialog')
const DeleteMany = lazyDialog(() => import('../bench/DeleteMany'), 'DeleteMany')
const PlansDialog = lazyDialog(() => import('../plans/PlansDialog'), 'PlansDialog')
const AboutDialog = lazyDialog(() => import('./AboutDialog'), 'AboutDialog')
const HelpDialog = lazyDialog(() => import('./HelpDialog'), 'HelpDialog')
const LifeDialog = lazyDialog(() => import('./LifeDialog'), 'LifeDialog')
const SeveralZonesDialog = lazyDialog(() => import('../apart/SeveralZonesDialog'), 'SeveralZonesDialog')
const MoneyDialog = lazyDialog(() => import('./MoneyDialog'), 'MoneyDialog')

/** Dialogs of the plan that many places open: the bar, the bench, the palette. */
export function PlanDialogs({ children }: { readonly children: ReactNode }) {
  const [shown, setShown] = useState<PlanDialog>()
  const value = useMemo(() => ({ open: setShown }), [])
  const { machine } = useWorkbench()
  const { leave } = useMachineActions()
  const close = (): void => setShown(undefined)
  useEffect(() => {
    const onKey = (event: KeyboardEvent): void => {
      if (event.key !== '?' || event.ctrlKey || event.metaKey || event.altKey) return
      if (event.target instanceof Element && event.target.closest('input, textarea, [role="dialog"]')) return
      event.preventDefault()
      setShown('help')
    }
    window.addEventListener('keydown', onKey)
    return () => window.removeEventListener('keydown', onKey)
  }, [])
  return (
    <PlanDialogsContext value={value}>
      {children}
      {shown === 'add' && <AddFromNeed onClose={close} />}
      {shown === 'help' && <HelpDialog onClose={close} />}
      {shown === 'about' && <AboutDialog onClose={close} />}
      {machine && shown === 'life' && <LifeDialog machine={machine} onClose={close} />}
      {machine && shown === 'zones' && <SeveralZonesDialog machine={machine} onClose={close} />}
      {machine && shown === 'delete' && (
        <DeleteMany names={new Set([machine.name])} onDeleted={leave} onClose={close} />
      )}
      {shown === 'plans' && <PlansDialog onClose={close} />}
      {shown === 'money' && <MoneyDialog onClose={close} />}
      {shown === 'budget' && <BudgetDialog onClose={close} />}
    </PlanDialogsContext>
  )
}
