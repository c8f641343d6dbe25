'use client'

import { Button } from '../../interface/Button'
import { Dialog } from '../../interface/Dialog'
import type { BillOfPlan } from '../../store/KeptBills.ts'
import { PlanFromBillPart } from './PlanFromBillPart'

interface FromBillDialogProps {
  readonly bill: BillOfPlan
  readonly onClose: () => void
}

/** A bill as a plan of its own, beside the one that is open. */
export function FromBillDialog({ bill, onClose }: FromBillDialogProps) {
  return (
    <Dialog title="A plan of this bill" isOpen onClose={onClose} wide>
      <PlanFromBillPart bill={bill} onMade={onClose} />
      <Button onPress={onClose}>Close</Button>
    </Dialog>
  )
}
