'use client'

import type { Machine } from '../../core/machine/plan.ts'
import { Button } from '../../interface/Button'
import { Dialog } from '../../interface/Dialog'
import { setLife } from '../../store/commands.ts'
import { LifeFields } from '../workbench/LifeFields'
import { useWorkbench } from '../workbench/WorkbenchContext'

interface LifeDialogProps {
  readonly machine: Machine
  readonly onClose: () => void
}

/** From when to when a machine is planned to exist. */
export function LifeDialog({ machine, onClose }: LifeDialogProps) {
  const { session } = useWorkbench()
  const { name } = machine
  return (
    <Dialog title={`First and last day of ${name}`} isOpen onClose={onClose}>
      <p>
        It is made at the midnight that begins its first day and deleted at the one that ends its last, in the
        zone of its week. Before that it costs nothing, after it only what it leaves behind.
      </p>
      <LifeFields
        days={machine}
        onChange={(part) => session.edit(`${name}: first and last day`, setLife(name, part))}
      />
      <Button onPress={onClose}>Done</Button>
    </Dialog>
  )
}
