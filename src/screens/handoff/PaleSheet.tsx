const LINES = [180, 150, 210, 120, 170, 140] as const

/** A build sheet: what to create, line by line, with what each costs, and boxes to tick. */
export const PaleSheet = () => (
  <svg viewBox="0 0 760 200">
    <rect x={0} y={4} width={240} height={12} rx={2} fill="var(--plate)" />
    {LINES.map((width, i) => {
      const y = 36 + i * 26
      return (
        <g key={y}>
          <rect x={0.5} y={y + 0.5} width={11} height={11} fill="none" stroke="var(--plate-edge)" />
          <rect x={26} y={y + 2} width={90} height={8} rx={2} fill="var(--rule)" />
          <rect x={180} y={y + 2} width={width} height={8} rx={2} fill="var(--rule)" />
          <rect x={690} y={y + 2} width={70} height={8} rx={2} fill="var(--rule)" />
          <line x1={0} y1={y + 19} x2={760} y2={y + 19} stroke="var(--rule)" />
        </g>
      )
    })}
  </svg>
)
