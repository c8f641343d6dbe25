'use client'

import { createContext, useContext } from 'react'

/** Dialogs that many places open: the bar, the bench, the palette. They stand in `frame/PlanDialogs.tsx`. */
export type PlanDialog = 'add' | 'plans' | 'money' | 'budget' | 'about' | 'help' | 'life' | 'zones' | 'delete'

interface PlanDialogsValue {
  readonly open: (dialog: PlanDialog) => void
}

export const PlanDialogsContext = createContext<PlanDialogsValue | undefined>(undefined)

export function usePlanDialogs(): PlanDialogsValue {
  const value = useContext(PlanDialogsContext)
  if (!value) throw new Error('usePlanDialogs is used outside the workbench')
  return value
}
