'use client'

import { memo, useCallback, useMemo, useState, type ReactNode } from 'react'
import styled from 'styled-components'
import type { FitReason } from '../../core/fit/fitReason.ts'
import type { PlateId } from '../../core/machine/decision.ts'
import type { PricedMachine } from '../../core/meter/planPricing.ts'
import { QuietButton } from '../../interface/Button'
import { lazyPart } from '../../interface/lazyPart'
import { media } from '../../interface/theme/media'
import { useStable } from '../../interface/useStable'
import { useWidth } from '../../interface/useWidth'
import { choiceWords } from '../../wording/choice'
import { formatHourly, formatMoney } from '../../wording/money'
import { pinPlate, replaceMachine, takeChoice } from '../../store/commands.ts'
import { PLATE_WEIGHTS } from '../../core/notches/plateWeight.ts'
import { LIST_HEIGHT } from '../list/listHeight.ts'
import { needsAsked } from '../../core/fit/needId.ts'
import { heldBy } from '../../core/machine/heldBy.ts'
import { useNeedCosts } from '../needs/useNeedCosts'
import { useLiveWorkbench } from '../workbench/WorkbenchContext'
import { costAxis, reachOf } from '../../core/notches/costAxis.ts'
import type { Cluster } from './clusterNotches.ts'
import { FoldedPlate } from './FoldedPlate'
import { GaugePlate } from './GaugePlate'
import { LABEL_WIDTH, LABEL_WIDTH_COMPACT } from './GaugePlate.styles'
import { LegendBar } from './LegendBar'
import { PlateHeading, WEIGHT_NAMES } from './PlateHeading'
import { Scale } from './Scale'
import { useCoarsePointer } from '../../interface/useMedia'
import { useLegend } from './useLegend.ts'
import { usePlateOrder } from './usePlateOrder.ts'
import { useMovedPlate } from './useMovedPlate'
import { usePlates } from './usePlates'
import type { Carried, Notch, Plate } from '../../core/notches/plate.ts'

const PlateList = lazyPart(() => import('../list/PlateList'), 'PlateList')

interface PlatesProps {
  readonly priced: PricedMachine
}

/** Every decision about the machine as a plate, all on one cost axis. */
export function Plates({ priced: shown }: PlatesProps) {
  const live = useLiveWorkbench()
  const { session, address, go, mend } = live
  // The machine as the last edit left it, unless another one is being opened.
  const isSame = live.machine?.name === shown.resolved.machine.name
  const newest = isSame && live.result?.ok ? live.result : shown
  const { moved, move } = useMovedPlate(shown, live)
  // While one plate is ahead the others stand as they are.
  const { inputs, plates: whole } = usePlates(moved ? shown : newest, live)
  const plates = useMemo(
    () => (moved ? whole.map((plate) => (plate.id === moved.id ? moved : plate)) : whole),
    [whole, moved],
  )
  const coarse = useCoarsePointer()
  const { resolved, estimate, month } = newest
  const [opened, setOpened] = useState<ReadonlySet<PlateId>>(new Set())
  const [stack, width] = useWidth<HTMLDivElement>(560, 200)
  const order = usePlateOrder(plates)
  const { groups } = order
  const ways = {
    isOutdated: order.isOutdated,
    onArrange: useStable(order.arrange),
    onFixed: useStable(order.setFixed),
  }
  const isFolded = (plate: Plate): boolean =>
    !opened.has(plate.id) && (plate.fold !== undefined || order.small.has(plate.id))
  const [asksCosts, setAsksCosts] = useState(false)
  const asked = useMemo(() => needsAsked(resolved.machine.needs, heldBy(resolved)), [resolved])
  const costOf = useNeedCosts(resolved.machine, asked, asksCosts)
  const legend = useLegend(plates)
  const readAnew = useStable(legend.start)
  const onLook = useStable((slot: Cluster): void => {
    setAsksCosts(true)
    legend.did({ did: 'look', at: slot })
  })
  // What can be redone now and could not before was just undone.
  const { redoLabel } = live.state
  const [couldRedo, setCouldRedo] = useState(redoLabel)
  if (redoLabel !== couldRedo) {
    setCouldRedo(redoLabel)
    if (redoLabel !== undefined) legend.did({ did: 'undo' })
  }
  const { cheaper, dearer } = useMemo(() => reachOf(whole), [whole])
  const axis = useMemo(() => costAxis({ cheaper, dearer }, width), [cheaper, dearer, width])
  const { name } = resolved.machine
  const take = useStable((plate: Plate, notch: Notch): void => {
    legend.did({ did: 'take' })
    move(plate, notch, () =>
      session.edit(`${name}: ${choiceWords(notch, resolved).name}`, takeChoice(name, notch.choice)),
    )
  })
  const takeWith = useStable((notch: Notch, { machine }: Carried): void =>
    session.edit(`${name}: ${choiceWords(notch, resolved).name}`, (draft) => {
      takeChoice(name, notch.choice)(draft)
      return replaceMachine(name, machine)(draft)
    }),
  )
  const pin = useCallback(
    (id: PlateId, plate: string, isPinned: boolean): void =>
      session.edit(`${name}: ${isPinned ? 'keep' : 'let go of'} ${plate}`, pinPlate(name, id, isPinned)),
    [session, name],
  )
  const listed = plates.find(({ id }) => id === address.list)
  const [closedBy, setClosedBy] = useState<FitReason['code']>()
  const openList = useStable(({ id }: Plate, reason?: FitReason['code']): void => {
    setClosedBy(reason)
    // A plate whose list is open is looked at: the one that was open before gives way without a step back.
    if (listed) mend({ list: id })
    else go({ list: id })
    showPlate(id)
  })
  const closeList = (): void => {
    mend({ list: undefined })
    if (listed) focusPlate(listed.id)
  }
  const goFrom = useStable((id: PlateId, step: number): void => {
    const { inOrder } = order
    const at = inOrder.findIndex((plate) => plate.id === id) + step
    focusPlate(inOrder[Math.min(inOrder.length - 1, Math.max(0, at))]!.id)
  })
  const open = useStable((id: PlateId): void => {
    setOpened((before) => new Set(before).add(id))
    // The slider takes the place of the line that was pressed.
    requestAnimationFrame(() => focusPlate(id))
  })
  const drawn = (plate: Plate): ReactNode =>
    isFolded(plate) ? (
      <FoldedPlate
        key={plate.id}
        plate={plate}
        resolved={inputs.resolved}
        onOpen={open}
        onPin={pin}
        onGoToPlate={goFrom}
      />
    ) : (
      <GaugePlate
        key={plate.id}
        plate={plate}
        axis={axis}
        inputs={inputs}
        currency={estimate.currency}
        coarse={coarse}
        onTake={take}
        onPin={pin}
        onTakeWith={takeWith}
        onList={openList}
        onGoToPlate={goFrom}
        costOf={costOf}
        onLook={onLook}
      />
    )
  return (
    <Stack aria-label="Decisions about this machine">
      <LegendBar legend={legend} coarse={coarse} total={estimate.total} currency={estimate.currency} />
      {groups
        ? PLATE_WEIGHTS.filter((weight) => groups[weight].length > 0).map((weight, i) => (
            <section key={weight} aria-label={WEIGHT_NAMES[weight]}>
              <PlateHeading weight={weight} hasWays={i === 0} {...ways} />
              {groups[weight].map(drawn)}
            </section>
          ))
        : [<PlateHeading key="head" weight={undefined} hasWays {...ways} />, ...plates.map(drawn)]}
      <ScaleRow data-sticky="">
        <HowToRead onPress={readAnew} />
        <div ref={stack}>
          <Scale
            axis={axis}
            label={`${formatMoney(estimate.total, estimate.currency)} a month`}
            hourly={`${formatHourly(estimate.total, month)} an hour`}
          />
        </div>
      </ScaleRow>
      {listed && (
        <>
          <Room aria-hidden="true" />
          <PlateList
            key={`${listed.id} ${closedBy ?? ''}`}
            plate={listed}
            inputs={inputs}
            currency={estimate.currency}
            onTake={(notch) => take(listed, notch)}
            onTakeWith={takeWith}
            onClose={closeList}
            closedBy={closedBy}
          />
        </>
      )}
    </Stack>
  )
}

const plateElement = (id: PlateId): HTMLElement | null => document.querySelector(`[data-plate="${id}"]`)

const focusPlate = (id: PlateId): void =>
  plateElement(id)?.querySelector<HTMLElement>('[data-plate-focus]')?.focus()

/** Above the list, once that stands. */
const showPlate = (id: PlateId): void => {
  requestAnimationFrame(() => plateElement(id)?.scrollIntoView({ block: 'start' }))
}

const Stack = styled.section``

const HowToRead = memo(function HowToRead({ onPress }: { readonly onPress: () => void }) {
  return <Reading onPress={onPress}>How to read this</Reading>
})

const Reading = styled(QuietButton)`
  justify-self: start;
  align-self: center;
  padding: 2px 0;
  font-size: 12px;
  color: var(--ink-2);
  text-decoration: underline dotted;
  text-underline-offset: 3px;
`

/** So that every plate can be scrolled clear of the list. */
const Room = styled.div`
  height: ${LIST_HEIGHT};
`

/** Stays in view while the plates scroll under it. */
const ScaleRow = styled.div`
  position: sticky;
  bottom: -20px;
  z-index: 1;
  display: grid;
  grid-template-columns: ${LABEL_WIDTH} minmax(0, 1fr);
  border-top: 1px solid var(--rule);
  border-bottom: 1px solid var(--rule);
  background: var(--sheet);

  ${media.compact} {
    grid-template-columns: ${LABEL_WIDTH_COMPACT} minmax(0, 1fr);
  }
`
