'use client'

import { useMemo } from 'react'
import styled from 'styled-components'
import { circleAround, kmWithin } from '../../core/catalogue/distance.ts'
import type { UserPlace } from '../../core/machine/needs.ts'
import { offerKey, type OfferName } from '../../core/market/offerName.ts'
import type { OfferRow } from '../../core/market/offerRow.ts'
import { currencySymbol, formatAmount } from '../../wording/money'
import { formatNumber } from '../../wording/number'
import { FIELD_HEIGHT } from './fieldHeight.ts'
import land from './land.json'
import { boxAround, mapMarks, onMap, ringPath } from './mapMarks.ts'
import { offerPlace } from './offerText.ts'

interface PlaceMapProps {
  /** The best of each place that fits. */
  readonly rows: readonly OfferRow[]
  /** Where people sit who use the machine. */
  readonly people: readonly UserPlace[]
  /** The longest round trip that is allowed; rings stand there, or at three round ones. */
  readonly limitMs: number
  readonly width: number
  readonly currency: string
  readonly chosen: string | undefined
  readonly onPick: (offer: OfferName) => void
}

const RINGS = [20, 50, 100]
const NEAR = 16

/** Where it could stand: the cheapest at each place, the people, and how far away so many milliseconds are. */
export function PlaceMap({ rows, people, limitMs, width, currency, chosen, onPick }: PlaceMapProps) {
  const placed = useMemo(
    () =>
      rows.flatMap(({ latitude, longitude }) =>
        latitude === undefined || longitude === undefined ? [] : [onMap({ latitude, longitude })],
      ),
    [rows],
  )
  const box = boxAround([...placed, ...people.map(onMap)], width / FIELD_HEIGHT)
  const scale = width / box.width
  const toPixels = ({ x, y }: { x: number; y: number }) => ({
    x: (x - box.x) * scale,
    y: (y - box.y) * scale,
  })
  const symbol = currencySymbol(currency)
  // A person’s name stands below, a cost above its mark.
  const names = people.map((person) => ({ x: toPixels(onMap(person)).x, y: toPixels(onMap(person)).y + 28 }))
  const marks = mapMarks(rows, toPixels, NEAR, { width: 58, height: 16 }, names)
  const rings = limitMs > 0 ? [limitMs] : RINGS
  const hidden = rows.length - placed.length
  return (
    <Figure>
      <svg width={width} height={FIELD_HEIGHT} viewBox={`0 0 ${width} ${FIELD_HEIGHT}`} aria-hidden="true">
        <g transform={`scale(${scale}) translate(${-box.x} ${-box.y})`}>
          <path d={land.path} fill="var(--paper)" stroke="var(--plate-edge)" strokeWidth={0.8 / scale} />
          {people.map((person) =>
            rings.map((milliseconds) => (
              <path
                key={`${person.name}/${milliseconds}`}
                d={ringPath(circleAround(person, kmWithin(milliseconds)).map(onMap))}
                fill="none"
                stroke="var(--ink-2)"
                strokeDasharray={`${4 / scale} ${4 / scale}`}
                strokeWidth={1 / scale}
              />
            )),
          )}
        </g>
        {people.map((person) => {
          const { x, y } = toPixels(onMap(person))
          return (
            <g key={person.name}>
              <path d={`M${x} ${y - 7}l7 7l-7 7l-7 -7z`} fill="var(--ink)" />
              <Name x={x} y={y + 20} textAnchor="middle">
                {person.name}
              </Name>
            </g>
          )
        })}
        {marks.map(({ x, y, rows: [first, ...others], hasRoom }) => {
          const { machine, total } = first!
          const isChosen = [first!, ...others].some((row) => offerKey(row.machine) === chosen)
          const { provider, region, size, terms } = machine
          return (
            <Pressed key={offerKey(machine)} onClick={() => onPick({ provider, region, size, terms })}>
              <title>
                {[first!, ...others]
                  .map((row) => `${offerPlace(row)}: ${symbol} ${formatAmount(row.total)}`)
                  .join('\n')}
              </title>
              <path
                d={`M${x - 7} ${y - 7}h14v9a4 4 0 0 1 -4 4h-6a4 4 0 0 1 -4 -4z`}
                fill={isChosen ? 'var(--save)' : 'var(--plate)'}
                stroke={isChosen ? 'var(--ink)' : 'var(--plate-edge)'}
              />
              {hasRoom && (
                <Name x={x} y={y - 11} textAnchor="middle">
                  {symbol} {formatAmount(total)}
                  {others.length > 0 && ` +${others.length}`}
                </Name>
              )}
            </Pressed>
          )
        })}
      </svg>
      <figcaption>
        The cheapest that fits at each place, which the list of places has in order.{' '}
        {people.length > 0 &&
          `Dashed: as far as ${rings.map((each) => formatNumber(each)).join(', ')} ms there and back, guessed from the distance. `}
        {hidden > 0 && `${formatNumber(hidden)} places are in no list of positions and stand nowhere here.`}
      </figcaption>
    </Figure>
  )
}

const Figure = styled.figure`
  margin: 0;

  svg {
    display: block;
    background: var(--sheet);
    border: 1px solid var(--rule);
  }
  figcaption {
    margin-top: 4px;
    font-size: 12px;
    color: var(--ink-2);
  }
`

const Pressed = styled.g`
  cursor: pointer;
`

const Name = styled.text`
  font-size: 11px;
  font-weight: 600;
  fill: var(--ink);
  paint-order: stroke;
  stroke: var(--sheet);
  stroke-width: 3px;
`
