'use client'

import { ListBox, ListBoxItem } from 'react-aria-components'
import styled from 'styled-components'
import type { FieldMeasure } from '../../core/market/fieldMeasure.ts'
import type { MarketView } from '../../core/market/marketView.ts'
import { offerKey, type OfferName } from '../../core/market/offerName.ts'
import { media } from '../../interface/theme/media'
import { measureText } from '../../wording/fieldMeasure'
import { currencySymbol, formatDifference, formatMoney } from '../../wording/money'
import { FIELD_HEIGHT } from './fieldHeight.ts'
import { offerPlace } from './offerText.ts'

interface EdgeWalkProps {
  readonly view: MarketView
  readonly measure: FieldMeasure
  readonly currency: string
  readonly chosen: string | undefined
  readonly onPick: (offer: OfferName) => void
}

/** The cheapest edge as a list of choices on the field: arrow keys walk along it, from the cheapest to the best. */
export function EdgeWalk({ view, measure, currency, chosen, onPick }: EdgeWalkProps) {
  const { edge, present } = view
  const points = edge.filter(({ x, y }) => y !== undefined && x >= 0 && x <= 1 && y >= 0 && y <= 1)
  if (points.length === 0) return null
  return (
    <List
      aria-label="The cheapest edge: nothing is both cheaper and better"
      orientation="horizontal"
      selectionMode="single"
      selectionBehavior="replace"
      selectedKeys={chosen === undefined ? [] : [chosen]}
      onSelectionChange={(keys) => {
        const [key] = keys === 'all' ? [] : [...keys]
        const point = points.find(({ row }) => offerKey(row.machine) === key)
        if (point) onPick(nameOf(point.row.machine))
      }}
    >
      {points.map(({ row, x, y, measured }) => {
        const name = `${row.size}, ${offerPlace(row)}, ${formatMoney(row.total, currency)}, ${measureText(measure, measured, currencySymbol(currency))}, ${formatDifference(row.total, present.row.total)} from now`
        const key = offerKey(row.machine)
        return (
          <Point
            key={key}
            id={key}
            textValue={name}
            aria-label={name}
            style={{ left: `${x * 100}%`, top: y! * FIELD_HEIGHT }}
          >
            <Dot />
          </Point>
        )
      })}
    </List>
  )
}

const nameOf = ({ provider, region, size, terms }: OfferName): OfferName => ({
  provider,
  region,
  size,
  terms,
})

const List = styled(ListBox)`
  position: absolute;
  inset: 0;
  pointer-events: none;
  outline: none;
`

const Dot = styled.span`
  width: 11px;
  height: 11px;
  border-radius: 50%;
  background: var(--save);
`

const Point = styled(ListBoxItem)`
  position: absolute;
  display: grid;
  place-items: center;
  width: 24px;
  height: 24px;
  margin: -12px 0 0 -12px;
  border-radius: 50%;
  pointer-events: auto;
  cursor: pointer;
  outline: none;

  &[data-focus-visible] {
    outline: 2px solid var(--focus);
  }
  &[data-selected] span {
    background: var(--sheet);
    border: 3px solid var(--save);
    width: 16px;
    height: 16px;
  }
  ${media.coarse} {
    width: 44px;
    height: 44px;
    margin: -22px 0 0 -22px;
  }
`
