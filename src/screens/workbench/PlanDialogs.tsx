'use client'

import { createContext, useContext, useMemo, useState, type ReactNode } from 'react'
import { AddFromNeed } from '../bench/AddFromNeed'
import { BudgetDialog } from '../bench/BudgetDialog'
import { PlansDialog } from '../plans/PlansDialog'
import { MoneyDialog } from './MoneyDialog'

type PlanDialog = 'add' | 'plans' | 'money' | 'budget'

interface PlanDialogsValue {
  readonly open: (dialog: PlanDialog) => void
}

const PlanDialogsContext = createContext<PlanDialogsValue | undefined>(undefined)

/** Dialogs of the plan that many places open: the bar, the bench, the palette. */
export function PlanDialogs({ children }: { readonly children: ReactNode }) {
  const [shown, setShown] = useState<PlanDialog>()
  const value = useMemo(() => ({ open: setShown }), [])
  const close = (): void => setShown(undefined)
  return (
    <PlanDialogsContext value={value}>
      {children}
      {shown === 'add' && <AddFromNeed onClose={close} />}
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
