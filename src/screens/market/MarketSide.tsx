'use client'

import { memo } from 'react'
import styled from 'styled-components'
import { OFFER_GROUPINGS, type OfferGrouping } from '../../core/market/offerGrouping.ts'
import type { MarketView } from '../../core/market/marketView.ts'
import { offerKey, type OfferName } from '../../core/market/offerName.ts'
import type { OfferRow } from '../../core/market/offerRow.ts'
import type { PricedMachine } from '../../core/meter/planPricing.ts'
import { Dropdown } from '../../interface/Dropdown'
import { ListInPart } from '../../interface/ListInPart'
import { currencySymbol, formatDifference } from '../../wording/money'
import { OfferDetail } from './OfferDetail'
import { OfferLine } from './OfferLine'
import { RestsOn } from './RestsOn'

const GROUPING_NAMES: Readonly<Record<OfferGrouping, string>> = {
  provider: 'provider',
  place: 'place',
  country: 'country',
  family: 'family of sizes',
}

interface MarketSideProps {
  readonly view: MarketView
  readonly shown: OfferRow | undefined
  readonly priced: PricedMachine
  readonly best: OfferGrouping | undefined
  readonly onBest: (best: OfferGrouping | undefined) => void
  readonly onPick: (offer: OfferName) => void
}

/** What was picked, with what it changes and gives up; and the cheapest, or the best of each of something. */
export const MarketSide = memo(function MarketSide(props: MarketSideProps) {
  const { view, shown, priced, best = 'provider', onBest, onPick } = props
  const { listed, present } = view
  const rows = view.best[best]
  const { currency } = priced.estimate
  const line = (row: OfferRow) => (
    <OfferLine
      row={row}
      difference={formatDifference(row.total, present.row.total)}
      isShown={shown !== undefined && offerKey(shown.machine) === offerKey(row.machine)}
      onPick={onPick}
    />
  )
  return (
    <Side aria-label="Offers">
      {shown ? (
        <OfferDetail row={shown} priced={priced} />
      ) : (
        <p role="status">
          <b>Nothing that is sold has all that it needs.</b> The line above says how many fit without each
          need, from what cost on, and how far it need only be eased.
        </p>
      )}
      {listed.length > 0 && (
        <>
          <Bar>
            <h2>
              Best of each
              <Dropdown
                label="What the best is listed of"
                value={best}
                options={OFFER_GROUPINGS.map((id) => ({ id, name: GROUPING_NAMES[id] }))}
                onChange={(id) => onBest(OFFER_GROUPINGS.find((each) => each === id))}
              />
            </h2>
            <small>{currencySymbol(currency)} a month, from now</small>
          </Bar>
          <ListInPart
            label={`Best of each ${GROUPING_NAMES[best]}`}
            items={rows}
            keyOf={(row) => offerKey(row.machine)}
          >
            {line}
          </ListInPart>
          <Bar>
            <h2>The {listed.length} cheapest</h2>
          </Bar>
          <ListInPart label="The cheapest" items={listed} keyOf={(row) => offerKey(row.machine)}>
            {line}
          </ListInPart>
          <RestsOn view={view} begins={priced.month.from} />
        </>
      )}
    </Side>
  )
})

const Side = styled.aside`
  min-width: 0;
  display: grid;
  gap: 8px;
`

const Bar = styled.div`
  display: flex;
  justify-content: space-between;
  align-items: baseline;
  gap: 8px;
  margin-top: 6px;
  color: var(--ink-2);

  h2 {
    display: inline-flex;
    gap: 6px;
    align-items: baseline;
    color: var(--ink);
  }
`
