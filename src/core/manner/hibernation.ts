import type { PriceBook, StateRow } from '../catalogue/priceBook.ts'
import { OTHER, type BillingAnswer } from './billingAnswer.ts'

const NONE = 'none'
const FREE = 'free'

const HIBERNATED: StateRow = {
  compute: false,
  licence: false,
  disks: true,
  address: 'attachedOff',
  memoryImage: false,
}

/** Whether a machine can hibernate, and whether the memory that is kept costs something by itself. */
export const HIBERNATION: BillingAnswer = {
  id: 'hibernation',
  // Where nothing is free while off, hibernating saves nothing.
  choices: ({ states }) => (states.deallocated ? [NONE, FREE] : []),
  valueOf: ({ states: { hibernated }, hibernation }) => {
    if (!hibernated) return NONE
    return hibernated.compute || hibernated.memoryImage || hibernation ? OTHER : FREE
  },
  apply: ({ hibernation, ...book }, value): PriceBook => {
    const { hibernated, ...others } = book.states
    const { leave, return: back } = others.deallocated ?? {}
    const row = { ...HIBERNATED, ...(leave && { leave }), ...(back && { return: back }) }
    return { ...book, states: value === NONE ? others : { ...others, hibernated: row } }
  },
}
