import type { HibernationRules, PriceBook, StateRow } from '../catalogue/priceBook.ts'
import { gib } from '../quantity/units.ts'
import { OTHER, type BillingAnswer } from './billingAnswer.ts'

const NONE = 'none'
const FREE = 'free'
const LIMITED = 'limited'

/** As much memory and as long as most providers allow that set limits. */
const LIMITS: HibernationRules = { mostMemoryGiB: gib(64), longestStayHours: 60 * 24 }

const HIBERNATED: StateRow = {
  compute: false,
  licence: false,
  disks: true,
  address: 'attachedOff',
  memoryImage: false,
}

/** Whether a machine can hibernate, within which limits, and whether the memory that is kept costs something by itself. */
export const HIBERNATION: BillingAnswer = {
  id: 'hibernation',
  // Where nothing is free while off, hibernating saves nothing.
  choices: ({ states }) => (states.deallocated ? [NONE, FREE, LIMITED] : []),
  valueOf: ({ states: { hibernated }, hibernation }) => {
    if (!hibernated) return NONE
    if (hibernated.compute || hibernated.memoryImage) return OTHER
    if (!hibernation) return FREE
    const { mostMemoryGiB, longestStayHours } = hibernation
    const isUsual = mostMemoryGiB === LIMITS.mostMemoryGiB && longestStayHours === LIMITS.longestStayHours
    return isUsual ? LIMITED : OTHER
  },
  apply: ({ hibernation, ...book }, value): PriceBook => {
    const { hibernated, ...others } = book.states
    const { leave, return: back } = others.deallocated ?? {}
    const row = { ...HIBERNATED, ...(leave && { leave }), ...(back && { return: back }) }
    return {
      ...book,
      states: value === NONE ? others : { ...others, hibernated: row },
      ...(value === LIMITED && { hibernation: LIMITS }),
    }
  },
}
