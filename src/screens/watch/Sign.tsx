import type { Severity } from '../../core/watch/finding.ts'

const SHAPES = { problem: 'M7 1l6 11H1z', warning: 'M7 1l6 6-6 6-6-6z', note: 'M2 2h10v10H2z' } as const

/** How bad a finding is, by shape and not by colour alone; the word stands beside it. */
export function Sign({ severity }: { readonly severity: Severity }) {
  return (
    <svg width="14" height="14" aria-hidden="true" style={{ flex: 'none' }}>
      <path
        d={SHAPES[severity]}
        fill={severity === 'problem' ? 'var(--leak)' : 'none'}
        stroke={severity === 'note' ? 'var(--ink-3)' : 'var(--leak)'}
        strokeWidth="1.5"
      />
    </svg>
  )
}
