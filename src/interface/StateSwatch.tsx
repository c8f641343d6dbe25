'use client'

import type { PowerState } from '../core/off/powerState.ts'
import { STATE_FILL } from './StatePatterns'

/** A state's own pattern, small; the state's name stands beside it. */
export const StateSwatch = ({ state }: { readonly state: PowerState }) => (
  <svg width="12" height="10" aria-hidden="true" style={{ flex: 'none' }}>
    <rect
      x="0.5"
      y="0.5"
      width="11"
      height="9"
      fill={STATE_FILL[state]}
      stroke="var(--ink-3)"
      strokeWidth="0.6"
    />
  </svg>
)
