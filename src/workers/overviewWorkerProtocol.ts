import type { OverviewInputs, OverviewPart } from '../core/overview/planOverview.ts'

/** A question ends with its worker: a newer one is asked of a new worker. */
export type OverviewAsk = OverviewInputs

export type OverviewAnswer = OverviewPart | { readonly kind: 'done' }
