const ROWS = [
  { name: 70, kept: 60, asked: 150, leak: 190, saved: 0 },
  { name: 96, kept: 40, asked: 130, leak: 20, saved: 120 },
  { name: 58, kept: 70, asked: 60, leak: 0, saved: 90 },
  { name: 84, kept: 20, asked: 70, leak: 8, saved: 60 },
] as const

/** The bench with machines: each month's parts as a bar, and how long the credit lasts. */
export const PaleBench = () => (
  <svg viewBox="0 0 760 230">
    {ROWS.map(({ name, kept, asked, leak, saved }, i) => {
      const y = 12 + i * 30
      return (
        <g key={y}>
          <rect x={0} y={y + 3} width={name} height={8} rx={2} fill="var(--rule)" />
          <rect x={150} y={y} width={kept} height={14} fill="var(--kept-pale)" />
          <rect x={150 + kept} y={y} width={asked} height={14} fill="var(--plate)" />
          <rect x={150 + kept + asked} y={y} width={leak} height={14} fill="var(--held-pale)" />
          <rect
            x={150.5 + kept + asked + leak}
            y={y + 0.5}
            width={saved}
            height={13}
            fill="none"
            stroke="var(--rule)"
            strokeDasharray="3 3"
          />
          <rect x={700} y={y + 3} width={60} height={8} rx={2} fill="var(--rule)" />
        </g>
      )
    })}
    <line x1={0} y1={220} x2={760} y2={220} stroke="var(--rule)" />
    <path
      d="M0 150 L180 166 L360 180 L540 198 L700 220"
      fill="none"
      stroke="var(--plate-edge)"
      strokeWidth={2}
    />
    <path d="M0 150 L160 176 L320 206 L390 220" fill="none" stroke="var(--held-pale)" strokeWidth={2} />
  </svg>
)
