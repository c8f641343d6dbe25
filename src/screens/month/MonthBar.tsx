import { STATE_FILL } from '../../interface/StatePatterns'
import { MONTH_PARTS, type MonthPart } from '../../core/meter/monthPart.ts'
import { toNumber, type Exact } from '../../core/quantity/exact.ts'

/** Leak is hatched as what is off but charged is everywhere. */
export const PART_FILL = {
  kept: 'var(--off)',
  asked: 'var(--run)',
  leak: STATE_FILL.stopped,
} as const satisfies Record<MonthPart, string>

interface MonthBarProps {
  readonly split: Readonly<Record<MonthPart | 'saved', Exact>>
  /** The amount that the whole width stands for. */
  readonly scale: number
  readonly height: number
}

/** What a bar takes that ends with what is saved, or with the total where switching off costs more. */
export const barLength = ({ total, saved }: Readonly<Record<'total' | 'saved', Exact>>): number =>
  toNumber(total) + Math.max(0, toNumber(saved))

/** A month as what is kept, asked for and leaks, one after another, and what is saved as an outline behind. */
export function MonthBar({ split, scale, height }: MonthBarProps) {
  const share = (amount: Exact): number => (scale > 0 ? Math.max(0, toNumber(amount) / scale) * 100 : 0)
  const ends = MONTH_PARTS.reduce<readonly number[]>(
    (before, part) => [...before, before.at(-1)! + share(split[part])],
    [0],
  )
  const parts = MONTH_PARTS.map((part, i) => ({ part, x: ends[i]!, width: ends[i + 1]! - ends[i]! }))
  const at = ends.at(-1)!
  const saved = share(split.saved)
  return (
    <svg width="100%" height={height} aria-hidden="true" style={{ display: 'block' }}>
      {saved > 0 && (
        <rect
          x={`${at}%`}
          y={0.5}
          width={`${saved}%`}
          height={height - 1}
          fill="none"
          stroke="var(--plate-edge)"
        />
      )}
      {parts.map(
        ({ part, x, width }) =>
          width > 0 && (
            <rect
              key={part}
              data-part={part}
              x={`${x}%`}
              width={`${width}%`}
              height={height}
              fill={PART_FILL[part]}
            />
          ),
      )}
    </svg>
  )
}

/** A small square in the part's own fill, beside its name. */
export const PartSwatch = ({ part }: { readonly part: MonthPart | 'saved' }) => (
  <svg width="14" height="12" aria-hidden="true" style={{ flex: 'none' }}>
    <rect
      x="0.5"
      y="0.5"
      width="13"
      height="11"
      fill={part === 'saved' ? 'none' : PART_FILL[part]}
      stroke="var(--plate-edge)"
    />
  </svg>
)
