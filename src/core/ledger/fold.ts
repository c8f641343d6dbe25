/** By what a ledger's rows are put together. */
export const FOLDS = ['time', 'meter', 'part', 'day', 'machine'] as const
export type Fold = (typeof FOLDS)[number]
