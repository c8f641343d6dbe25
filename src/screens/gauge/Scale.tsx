'use client'

import { formatAmount } from '../../wording/money'
import type { CostAxis } from '../../core/notches/costAxis.ts'

interface ScaleProps {
  readonly axis: CostAxis
  readonly label: string
  readonly hourly: string
}

/** The one cost axis under all plates. */
export function Scale({ axis, label, hourly }: ScaleProps) {
  return (
    <svg width={axis.width} height={36} style={{ display: 'block', overflow: 'visible' }} aria-hidden="true">
      <path d={`M${axis.line} 0v7`} stroke="var(--ink)" strokeWidth={1.5} />
      {axis.ticks.map(({ difference, x }) => (
        <g key={difference}>
          <path d={`M${x} 0v5`} stroke="var(--ink-3)" />
          <text x={x} y={17} fontSize={11} textAnchor="middle" fill="var(--ink-3)">
            {difference > 0 ? '+' : '−'}
            {formatAmount({ n: BigInt(Math.abs(difference)), d: 1n }, 0)}
          </text>
        </g>
      ))}
      <text x={axis.line} y={20} fontSize={12} fontWeight={640} textAnchor="middle" fill="var(--ink)">
        {label}
      </text>
      <text x={axis.line} y={33} fontSize={11} textAnchor="middle" fill="var(--ink-2)">
        {hourly}
      </text>
      <text x={0} y={32} fontSize={11} fill="var(--save)">
        ← cheaper
      </text>
      <text x={axis.width} y={32} fontSize={11} textAnchor="end" fill="var(--ink-2)">
        dearer →
      </text>
    </svg>
  )
}
