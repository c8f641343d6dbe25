'use client'

import { useMemo } from 'react'
import type { BillRecipe } from '../../core/billMapping/billMapping.ts'
import type { BillFile } from '../../files/bill/billParts.ts'
import { billSampleAsker } from '../../workers/askers.ts'
import { useAnswer } from '../../workers/useAnswer.ts'
import { useWorkbench } from '../workbench/WorkbenchContext'
import { BillColumns } from './BillColumns'

interface BillMappingPartProps {
  readonly files: readonly BillFile[]
  readonly onRead: (recipe: BillRecipe) => void
}

/** What the columns of a bill mean that does not follow FOCUS: proposed, to be looked at, and kept for the next one. */
export function BillMappingPart({ files, onRead }: BillMappingPartProps) {
  const { state } = useWorkbench()
  const provider = state.books[0]?.provider.name ?? 'Biller'
  const asked = useMemo(() => ({ files, provider }), [files, provider])
  const { answer, failure } = useAnswer(billSampleAsker, asked)
  if (failure !== undefined || (answer && !answer.ok)) return null
  return answer?.ok ? <BillColumns sample={answer.value} onRead={onRead} /> : <p>Looking at its columns…</p>
}
