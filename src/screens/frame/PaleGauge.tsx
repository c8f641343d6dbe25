const PLATES = [
  [120, 180, 240, 300, 452, 560, 640],
  [300, 340, 420, 500],
  [390, 430, 470],
  [210, 420, 610, 690],
] as const

const LINE = 380

/** The gauge with a machine: plates of choices on one axis of cost, and the line where the present ones stand. */
export const PaleGauge = () => (
  <svg viewBox="0 0 760 220">
    {PLATES.map((slots, i) => {
      const y = 6 + i * 48
      return (
        <g key={y}>
          <line x1={0} y1={y} x2={760} y2={y} stroke="var(--rule)" />
          <rect x={0} y={y + 12} width={60 + ((i * 37) % 40)} height={9} rx={2} fill="var(--rule)" />
          <rect x={0} y={y + 27} width={44} height={6} rx={2} fill="var(--rule)" />
          <rect x={150} y={y + 12} width={610} height={20} fill="var(--rule)" />
          {slots.map((x) => (
            <rect key={x} x={x} y={y + 12} width={7} height={20} fill="var(--sheet)" />
          ))}
        </g>
      )
    })}
    <line x1={LINE} y1={6} x2={LINE} y2={206} stroke="var(--plate-edge)" strokeWidth={2} />
    <line x1={150} y1={206} x2={760} y2={206} stroke="var(--plate-edge)" />
  </svg>
)
