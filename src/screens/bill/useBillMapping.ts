'use client'

import { useState } from 'react'
import type { BillField, BillMapping, BillSource } from '../../core/billMapping/billMapping.ts'
import { wordsOf } from '../../core/billMapping/proposeBillMapping.ts'
import type { SampledBill } from '../../files/bill/billSample.ts'

/** What a bill's columns mean as it is said, and the ways to say it. */
export interface BillEdit {
  readonly sample: SampledBill
  readonly mapping: BillMapping
  /** Questions that were only guessed and that nobody has answered. */
  readonly unsure: SampledBill['unsure']
  readonly change: (next: BillMapping, answered?: SampledBill['unsure'][number]) => void
  readonly setField: (field: BillField, source: BillSource | undefined) => void
  /** Undefined where there is nothing to take back. */
  readonly undo: (() => void) | undefined
}

interface Step {
  readonly mapping: BillMapping
  readonly unsure: SampledBill['unsure']
}

export function useBillMapping(sample: SampledBill): BillEdit {
  const [steps, setSteps] = useState<readonly Step[]>([{ mapping: sample.proposed, unsure: sample.unsure }])
  const { mapping, unsure } = steps.at(-1)!
  const change: BillEdit['change'] = (next, answered) =>
    setSteps([...steps, { mapping: next, unsure: unsure.filter((question) => question !== answered) }])
  return {
    sample,
    mapping,
    unsure,
    change,
    setField: (field, source) => {
      const { [field]: _, ...others } = mapping.fields
      const fields = source ? { ...others, [field]: source } : others
      const isWord = field === 'kind' || field === 'unit'
      change({ ...mapping, fields, ...(isWord && wordsOf(fields, sample)) })
    },
    undo: steps.length > 1 ? () => setSteps(steps.slice(0, -1)) : undefined,
  }
}
