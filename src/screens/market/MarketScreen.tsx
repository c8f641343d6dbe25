'use client'

import { memo, useCallback, useMemo, useState } from 'react'
import styled from 'styled-components'
import type { MarketView } from '../../core/market/marketView.ts'
import type { OfferGrouping } from '../../core/market/offerGrouping.ts'
import { offerKey, type OfferName } from '../../core/market/offerName.ts'
import { heldBy } from '../../core/machine/heldBy.ts'
import type { Machine } from '../../core/machine/plan.ts'
import type { PricedMachine } from '../../core/meter/planPricing.ts'
import { SECONDS_PER_HOUR } from '../../core/quantity/units.ts'
import { Button } from '../../interface/Button'
import { ToggleRow } from '../../interface/ToggleRow'
import { Tick } from '../../interface/Tick'
import { media } from '../../interface/theme/media'
import { useWidth } from '../../interface/useWidth'
import { leftOutText } from '../../wording/leftOut'
import { formatNumber } from '../../wording/number'
import type { MarketDrawing } from '../workbench/address.ts'
import { useWorkbench } from '../workbench/WorkbenchContext'
import type { MarketAsked } from '../../workers/askers.ts'
import { lazyPart } from '../../interface/lazyPart'
import { FieldFrame } from './FieldFrame'
import { FIELD_HEIGHT } from './fieldHeight.ts'
import { MarketNeeds } from './MarketNeeds'
import { MarketSide } from './MarketSide'
import { PaleMarket } from './PaleMarket'
import { measureFor, measuresFor, useMarket } from './useMarket'

const DRAWINGS = [
  { id: 'field', label: 'by cost' },
  { id: 'map', label: 'on a map' },
] as const

const NO_SAVINGS: MarketView['savings'] = []

const PlaceMap = lazyPart(() => import('./PlaceMap'), 'PlaceMap', { drawing: FIELD_HEIGHT })
const HoursPart = lazyPart(() => import('./HoursPart'), 'HoursPart', { drawing: 190 })

/** Everything that is sold and fits the open machine, by what its month would cost there. */
export function MarketScreen() {
  const { machine, result } = useWorkbench()
  return machine && result?.ok ? <Market key={machine.name} machine={machine} priced={result} /> : null
}

function Market({ machine, priced }: { readonly machine: Machine; readonly priced: PricedMachine }) {
  const { address, mend, state } = useWorkbench()
  const { market } = address
  const [ref, width] = useWidth<HTMLDivElement>(640, 280)
  const [drag, setDrag] = useState<MarketAsked['dragged']>()
  const { view, drawn, isStale, failure, again } = useMarket(machine, drag, market.part, width, FIELD_HEIGHT)
  const change = useCallback(
    (part: Partial<typeof market>) => mend({ market: { ...market, ...part } }),
    [mend, market],
  )
  const measures = useMemo(() => measuresFor(machine, state.books), [machine, state.books])
  const pick = useCallback((picked: OfferName) => change({ picked }), [change])
  const setBest = useCallback((best: OfferGrouping | undefined) => change({ best }), [change])
  const { currency, metered } = priced.estimate
  const hoursOn = metered.onTime / SECONDS_PER_HOUR
  const shown = view?.picked?.row ?? view?.listed[0]
  return (
    <Screen data-testid="market" aria-busy={isStale}>
      <MarketHead
        offers={view?.offers}
        fitting={drawn?.fitting}
        leftOut={view?.leftOut}
        uncommitted={market.uncommitted}
        onChange={change}
      />
      <MarketNeeds
        machine={machine}
        held={heldBy(priced.resolved)}
        savings={view?.savings ?? NO_SAVINGS}
        currency={currency}
        isStale={isStale && !drag}
        onDrag={setDrag}
      />
      {failure && (
        <Failure role="alert">
          {failure} Nothing was changed. <Button onPress={again}>Try again</Button>
        </Failure>
      )}
      <Parts>
        <FieldColumn ref={ref}>
          <DrawingChoice drawing={market.drawing} onChange={change} />
          {view && market.drawing === 'map' && (
            <PlaceMap
              rows={view.best.place}
              people={priced.resolved.users}
              limitMs={machine.needs.roundTripMs ?? 0}
              width={width}
              currency={currency}
              chosen={shown && offerKey(shown.machine)}
              onPick={pick}
            />
          )}
          {market.drawing === 'map' ? null : drawn ? (
            <FieldFrame
              view={drawn}
              width={width}
              currency={currency}
              measure={measureFor(market.measure, machine)}
              measures={measures}
              part={market.part}
              chosen={shown && offerKey(shown.machine)}
              onChange={change}
              onPick={pick}
            />
          ) : (
            <PaleMarket height={FIELD_HEIGHT} />
          )}
          {view && <HoursPart hours={view.hours} own={hoursOn} currency={currency} />}
        </FieldColumn>
        {view && (
          <MarketSide
            view={view}
            shown={shown}
            priced={priced}
            best={market.best}
            onBest={setBest}
            onPick={pick}
          />
        )}
      </Parts>
    </Screen>
  )
}

interface MarketHeadProps {
  readonly offers: number | undefined
  readonly fitting: number | undefined
  readonly leftOut: MarketView['leftOut'] | undefined
  readonly uncommitted: boolean
  readonly onChange: (part: { readonly uncommitted: boolean }) => void
}

const MarketHead = memo(function MarketHead(props: MarketHeadProps) {
  const { offers, fitting, leftOut = [], uncommitted, onChange } = props
  return (
    <Head>
      <Counts aria-live="polite">
        {offers === undefined || fitting === undefined
          ? 'Looking at everything that is sold…'
          : `${formatNumber(offers)} offers, ${formatNumber(fitting)} fit`}
      </Counts>
      <Tick
        label="only terms that bind nobody"
        checked={uncommitted}
        onChange={(next) => onChange({ uncommitted: next })}
      />
      {leftOut.length > 0 && <small>Left out: {leftOut.map(leftOutText).join('; ')}.</small>}
    </Head>
  )
})

interface DrawingChoiceProps {
  readonly drawing: MarketDrawing
  readonly onChange: (part: { readonly drawing: MarketDrawing; readonly best?: OfferGrouping }) => void
}

const DrawingChoice = memo(function DrawingChoice({ drawing, onChange }: DrawingChoiceProps) {
  return (
    <ToggleRow<MarketDrawing>
      label="How the market is drawn"
      mode="one"
      options={DRAWINGS}
      chosen={[drawing]}
      onChange={([next]) => onChange({ drawing: next!, ...(next === 'map' && { best: 'place' }) })}
    />
  )
})

const Screen = styled.section`
  display: grid;
  gap: 8px;
  margin-top: 10px;
  min-width: 0;
`

const Head = styled.div`
  display: flex;
  flex-wrap: wrap;
  gap: 4px 14px;
  align-items: baseline;
  color: var(--ink-2);
`

const Counts = styled.p`
  color: var(--ink);
`

const Failure = styled.p`
  color: var(--leak);
`

const Parts = styled.div`
  display: grid;
  grid-template-columns: minmax(0, 1fr) 318px;
  gap: 18px;
  align-items: start;
  ${media.compact} {
    grid-template-columns: minmax(0, 1fr) 264px;
    gap: 14px;
  }
  ${media.narrow} {
    grid-template-columns: minmax(0, 1fr);
  }
`

const FieldColumn = styled.div`
  min-width: 0;
`
