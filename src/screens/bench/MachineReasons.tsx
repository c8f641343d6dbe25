'use client'

import type { LeftAsItIs } from '../../core/wholePlan/changeMany.ts'
import { machineIssueText } from '../../files/reading/machineIssueText.ts'
import { ListInPart } from '../../interface/ListInPart'
import { reasonsText } from '../../wording/reason'

interface MachineReasonsProps {
  readonly label: string
  /** What is said of each machine. */
  readonly says: string
  readonly machines: readonly LeftAsItIs[] | undefined
}

/** Machines that a change does not do all of what was asked, each with why. */
export const MachineReasons = ({ label, says, machines = [] }: MachineReasonsProps) =>
  machines.length > 0 && (
    <ListInPart label={label} items={machines} keyOf={({ name }) => name}>
      {(each) => (
        <>
          <b>{each.name}</b> {says}: {whyText(each)}
        </>
      )}
    </ListInPart>
  )

function whyText({ otherProvider, reasons, issues }: LeftAsItIs): string {
  if (otherProvider) return 'it is at another provider'
  if (reasons.length > 0) return reasonsText(reasons)
  return issues.map((issue) => machineIssueText(issue).problem).join(' ')
}
