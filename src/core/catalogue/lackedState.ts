import { offStates, type OffPlan } from '../power/offPlan.ts'
import type { OffState } from '../power/powerState.ts'
import type { PriceBook } from './priceBook.ts'

/** The first state of a machine when off that its provider does not have; undefined where it has them all. */
export const lackedState = (plan: OffPlan, { states }: PriceBook): OffState | undefined =>
  offStates(plan).find((off) => !states[off])
