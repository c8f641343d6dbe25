'use client'

import { memo, useState } from 'react'
import styled from 'styled-components'
import type { FieldMark } from '../../core/market/fieldMarks.ts'
import type { FieldPart } from '../../core/market/fieldPart.ts'
import type { FieldScales } from '../../core/market/fieldScales.ts'
import type { MarketView } from '../../core/market/marketView.ts'
import { offerKey } from '../../core/market/offerName.ts'
import { currencySymbol, formatMoney } from '../../wording/money'
import { formatNumber } from '../../wording/number'
import { measureText } from '../../wording/fieldMeasure'
import { sameFields } from '../../core/sameFields.ts'
import { costTicks, measureTicks } from './fieldTicks.ts'

interface FieldDrawingProps {
  readonly view: MarketView
  readonly scales: FieldScales
  readonly part: FieldPart
  readonly width: number
  readonly height: number
  readonly currency: string
  readonly chosen: string | undefined
  readonly onOpen: (mark: FieldMark) => void
}

/** A short count: nobody reads the last of five digits in a mark. */
const countText = (count: number): string =>
  count < 10_000 ? formatNumber(count) : `${formatNumber(Math.floor(count / 1_000))}k`

/** Marks by cost and measure, the machine as it is, and the cheapest edge. Said in words by the lists beside it. */
export const FieldDrawing = memo(function FieldDrawing(props: FieldDrawingProps) {
  const { view, scales, part, width, height, currency, chosen, onOpen } = props
  const { present, edge, marks, picked } = view
  const line = edge.filter(({ y }) => y !== undefined)
  const symbol = currencySymbol(currency)
  const isFar = present.x > 0.6
  return (
    <Svg width={width} height={height + 22} aria-hidden="true">
      {measureTicks(scales, part, 0.09).map(({ value, at }) => (
        <g key={value}>
          <path d={`M0 ${at * height}H${width}`} stroke="var(--rule)" />
          <text
            x={2}
            y={at * height - 3}
            fontSize={11}
            fill="var(--ink-2)"
            paintOrder="stroke"
            stroke="var(--sheet)"
            strokeWidth={3}
          >
            {measureText(scales.measure, value, symbol)}
          </text>
        </g>
      ))}
      {costTicks(scales, part, 64 / width).map(({ value, at }) => (
        <g key={value}>
          <path d={`M${at * width} 0V${height}`} stroke="var(--rule)" />
          <text x={at * width} y={height + 15} fontSize={11} textAnchor="middle" fill="var(--ink-2)">
            {symbol} {formatNumber(value)}
          </text>
        </g>
      ))}
      {marks.map((mark) => (
        <Mark
          key={`${mark.x}/${mark.y}`}
          mark={mark}
          x={mark.x * width}
          y={mark.y * height}
          isChosen={offerKey(mark.cheapest) === chosen}
          currency={currency}
          onOpen={onOpen}
        />
      ))}
      {present.x >= 0 && present.x <= 1 && (
        <g>
          <path d={`M${present.x * width} 0V${height}`} stroke="var(--ink)" strokeDasharray="1 3" />
          {present.y !== undefined && (
            <rect
              x={present.x * width - 5}
              y={present.y * height - 11}
              width={10}
              height={22}
              rx={2}
              fill="var(--ink)"
            />
          )}
          <Label
            x={present.x * width + (isFar ? -10 : 10)}
            y={present.y === undefined ? 14 : present.y * height - 14}
            textAnchor={isFar ? 'end' : 'start'}
          >
            now, {formatMoney(present.row.total, currency)}
          </Label>
        </g>
      )}
      <path
        d={line.map(({ x, y }, i) => `${i === 0 ? 'M' : 'L'}${x * width} ${y! * height}`).join('')}
        fill="none"
        stroke="var(--save)"
        strokeWidth={2}
      />
      {picked?.y !== undefined && (
        <circle
          cx={picked.x * width}
          cy={picked.y * height}
          r={11}
          fill="none"
          stroke="var(--ink)"
          strokeWidth={1.5}
        />
      )}
    </Svg>
  )
})

interface MarkProps {
  readonly mark: FieldMark
  readonly x: number
  readonly y: number
  readonly isChosen: boolean
  readonly currency: string
  readonly onOpen: (mark: FieldMark) => void
}

function markText(count: number, name: string, cost: number, currency: string): string {
  const cheapest = `${name}, about ${currencySymbol(currency)} ${cost.toFixed(2)}`
  return count === 1 ? cheapest : `${formatNumber(count)} offers, the cheapest ${cheapest}`
}

/** Whether a mark looks and says the same as before: each view has marks of its own. */
const isSameMark = ({ mark: a, ...before }: MarkProps, { mark: b, ...after }: MarkProps): boolean =>
  sameFields(before, after) &&
  a.count === b.count &&
  a.isBeyond === b.isBeyond &&
  a.name === b.name &&
  a.cost === b.cost

/** A notch as it is filed into a plate: straight above, round below. There are hundreds of them, and they change as one drags. */
const Mark = memo(function Mark({ mark, x, y, isChosen, currency, onOpen }: MarkProps) {
  const { count, isBeyond, name, cost } = mark
  const text = count === 1 ? '' : countText(count)
  const half = count === 1 ? 5 : Math.max(8, text.length * 3.4 + 3)
  // Words for a mark are made when it is pointed at: hundreds change with each step of a drag.
  const [isPointedAt, setIsPointedAt] = useState(false)
  return (
    <g
      onClick={() => onOpen(mark)}
      onPointerEnter={() => setIsPointedAt(true)}
      onPointerLeave={() => setIsPointedAt(false)}
      className={isBeyond ? 'mark beyond' : 'mark'}
    >
      {isPointedAt && <title>{markText(count, name, cost, currency)}</title>}
      <path
        d={`M${x - half} ${y - 7}h${half * 2}v10a4 4 0 0 1 -4 4h${-(half * 2 - 8)}a4 4 0 0 1 -4 -4z`}
        stroke={isChosen ? 'var(--ink)' : 'var(--plate-edge)'}
        strokeWidth={isChosen ? 2 : 1}
      />
      {text && (
        <text x={x} y={y + 4} fontSize={11} textAnchor="middle">
          {text}
        </text>
      )}
    </g>
  )
}, isSameMark)

const Svg = styled.svg`
  display: block;
  overflow: visible;

  .mark {
    cursor: pointer;
    fill: var(--plate);
  }
  .mark text {
    fill: var(--ink);
  }
  .beyond {
    fill: var(--sheet);
  }
  .beyond text {
    fill: var(--ink-2);
  }
  .mark:hover path {
    stroke: var(--ink-2);
  }
`

const Label = styled.text`
  font-size: 12px;
  font-weight: 640;
  fill: var(--ink);
  paint-order: stroke;
  stroke: var(--sheet);
  stroke-width: 4px;
`
