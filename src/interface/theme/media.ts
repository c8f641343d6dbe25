/** Widths at which the layout changes: below `narrow` the columns stand under each other. */
export const media = {
  compact: '@media (max-width: 1180px)',
  narrow: '@media (max-width: 860px)',
  phone: '@media (max-width: 600px)',
  coarse: '@media (pointer: coarse)',
  /** The system's colours take the place of ours: what is transparent would be drawn. */
  forced: '@media (forced-colors: active)',
} as const
