'use client'

import type { OffState } from '../core/off/powerState.ts'

/** Fills by state. Each has its own pattern, so that no state is told by colour alone. */
export const STATE_FILL = {
  running: 'var(--run)',
  stopped: 'url(#state-stopped)',
  deallocated: 'url(#state-deallocated)',
  hibernated: 'url(#state-hibernated)',
  deleted: 'url(#state-deleted)',
} as const satisfies Record<OffState, string>

/** Opacity of running outside the windows of a week, so that the windows still show. */
export const PALE = 0.4

/** Drawn once a page; every drawing refers to it. */
export function StatePatterns() {
  return (
    <svg width="0" height="0" aria-hidden="true" style={{ position: 'absolute' }}>
      <defs>
        <pattern
          id="state-stopped"
          width="6"
          height="6"
          patternTransform="rotate(45)"
          patternUnits="userSpaceOnUse"
        >
          <rect width="6" height="6" fill="var(--held-pale)" />
          <rect width="3" height="6" fill="var(--held)" />
        </pattern>
        <pattern id="state-hibernated" width="6" height="6" patternUnits="userSpaceOnUse">
          <rect width="6" height="6" fill="var(--kept-pale)" />
          <circle cx="3" cy="3" r="1.3" fill="var(--kept)" />
        </pattern>
        <pattern id="state-deallocated" width="6" height="6" patternUnits="userSpaceOnUse">
          <rect width="6" height="6" fill="var(--gone)" />
          <path d="M0 5.500h6" stroke="var(--off)" strokeWidth="1" />
        </pattern>
        <pattern id="state-deleted" width="8" height="8" patternUnits="userSpaceOnUse">
          <rect width="8" height="8" fill="var(--sheet)" />
          <path d="M1 4h4" stroke="var(--off)" strokeWidth="1" />
        </pattern>
      </defs>
    </svg>
  )
}
