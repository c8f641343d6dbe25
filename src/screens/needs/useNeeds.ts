'use client'

import type { Needs } from '../../core/machine/needs.ts'
import { setNeeds } from '../../store/commands.ts'
import { useWorkbench } from '../workbench/WorkbenchContext'

export type NeedsPart = { readonly [Field in keyof Needs]?: Needs[Field] | undefined }

/** Changes some of a machine's needs; what is set to undefined is not asked for any more. */
export function useNeeds(name: string): (part: NeedsPart) => void {
  const { session } = useWorkbench()
  return (part) => session.edit(`${name}: needs`, setNeeds(name, part))
}
