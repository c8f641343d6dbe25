'use client'

const STEPS = [
  { x: 0, y: 60, height: 60, fill: 'var(--gone)' },
  { x: 110, y: 30, height: 30, fill: 'var(--plate)' },
  { x: 220, y: 22, height: 8, fill: 'var(--plate)' },
  { x: 330, y: 12, height: 10, fill: 'var(--plate)' },
  { x: 440, y: 12, height: 8, fill: 'var(--plate)' },
  { x: 550, y: 20, height: 100, fill: 'var(--gone)' },
]

/** Steps from planned to billed, in pale. */
export function PaleBill() {
  return (
    <svg viewBox="0 0 640 120" role="presentation">
      {STEPS.map(({ x, y, height, fill }) => (
        <rect key={x} x={x} y={y} width="90" height={height} fill={fill} />
      ))}
    </svg>
  )
}
