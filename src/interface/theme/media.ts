/** Widths at which the layout changes: below `narrow` the columns stand under each other. */
export const media = {
  compact: '@media (max-width: 1180px)',
  narrow: '@media (max-width: 860px)',
  coarse: '@media (pointer: coarse)',
} as const
