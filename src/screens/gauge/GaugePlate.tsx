'use client'

import { memo, useRef, useState } from 'react'
import type { FitReason } from '../../core/fit/fitReason.ts'
import type { NeedId } from '../../core/fit/needId.ts'
import type { PlateId } from '../../core/machine/decision.ts'
import { choiceWords, plateName, type ChoiceWords } from '../../wording/choice'
import type { NeedCost } from '../needs/useNeedCosts'
import type { CostAxis } from '../../core/notches/costAxis.ts'
import { captionLayout } from './captionLayout.ts'
import { clusterNotches, type Cluster } from './clusterNotches.ts'
import * as S from './GaugePlate.styles'
import type { PinPlate } from './FoldedPlate'
import { PlateCaptions } from './PlateCaptions'
import { PlateDrawing } from './PlateDrawing'
import { PlateLabel } from './PlateLabel'
import { nearest, spokenValue } from './plateText.ts'
import { slotAt } from './slotAt.ts'
import { slotRows, slotSentence } from './slotRows.ts'
import { SlotTable } from './SlotTable'
import { useLookedAt } from './useLookedAt.ts'
import {
  cheapestNotch,
  isOpen,
  nextNotch,
  type Carried,
  type Notch,
  type Plate,
  type PlatesInputs,
} from '../../core/notches/plate.ts'
import { lazyDialog } from '../../interface/lazyDialog'
import { VisuallyHidden } from '../../interface/VisuallyHidden'

const AskedChoice = lazyDialog(() => import('../list/AskedChoice'), 'AskedChoice')

interface GaugePlateProps {
  readonly plate: Plate
  readonly axis: CostAxis
  readonly inputs: PlatesInputs
  readonly currency: string
  /** Fingers point: targets are larger, and stand further apart. */
  readonly coarse: boolean
  readonly onTake: (plate: Plate, notch: Notch) => void
  readonly onPin: PinPlate
  /** Takes a choice with all that it changes beside itself. */
  readonly onTakeWith: (notch: Notch, carried: Carried) => void
  /** Opens the list of all choices, or of those closed for one reason. */
  readonly onList: (plate: Plate, closedBy?: FitReason['code']) => void
  /** Moves the focus so many plates down from one, up when negative. */
  readonly onGoToPlate: (from: PlateId, step: number) => void
  /** What a need costs; searched for once a slot is looked at. */
  readonly costOf: (need: NeedId) => NeedCost
  readonly onLook: (slot: Cluster) => void
}

/** Between the middles of two slots, and so the width of what can be pressed. */
const SLOT_GAP = 26
const SLOT_GAP_COARSE = 44

/**
 * One decision. Arrow keys left and right take the next fitting choice, Home the cheapest, up and down go to the other
 * plates, Enter opens the list of all choices. With Shift they look at slots and take nothing: up and down then go
 * through what is in one, Enter takes it, Escape leaves. Slots are found by where the pointer is, and name what is in
 * them while it is there; a press takes the one choice of a slot, or holds the table of several, and a finger's always
 * holds it.
 */
export const GaugePlate = memo(function GaugePlate({
  plate,
  axis,
  inputs,
  currency,
  coarse,
  onTake,
  onPin,
  onTakeWith,
  onList,
  onGoToPlate,
  costOf,
  onLook,
}: GaugePlateProps) {
  const track = useRef<HTMLDivElement>(null)
  const thumb = useRef<HTMLDivElement>(null)
  const [asked, setAsked] = useState<Notch>()
  const { resolved } = inputs
  const gap = coarse ? SLOT_GAP_COARSE : SLOT_GAP
  const clusters = clusterNotches(plate, axis, gap)
  const look = useLookedAt({ clusters, axis, track, onLook })
  const { slot, isHeld, row, place } = look
  const rows = slot ? slotRows(slot.notches, inputs) : []
  const words = (notch: Notch): ChoiceWords => choiceWords(notch, resolved)
  const present = plate.notches[plate.present]
  const shown = present && words(present)
  const cheaper = nearest(plate, -1)
  const dearer = nearest(plate, 1)
  const cheapest = cheapestNotch(plate)
  const near = { cheaper, dearer, cheapest }
  const layout = captionLayout(near, axis, words)
  const name = plateName(plate)

  const takeOrAsk = (notch: Notch): void => {
    look.leave()
    thumb.current?.focus()
    if (notch.isPresent) return
    if (isOpen(notch)) onTake(plate, notch)
    else setAsked(notch)
  }
  const slotUnder = ({ clientX, clientY, target }: React.MouseEvent): Cluster | undefined => {
    const element = track.current
    // A dialog of this plate is drawn elsewhere on the page, yet its events arrive here.
    if (!element || !(target instanceof Element) || !element.contains(target)) return undefined
    const { left, top } = element.getBoundingClientRect()
    return clientY - top <= gap ? slotAt(clusters, clientX - left, gap / 2) : undefined
  }
  const isInTable = ({ target }: React.MouseEvent): boolean =>
    target instanceof Element && target.closest('[data-testid="slot-table"]') !== null
  const press = (event: React.MouseEvent): void => {
    if (isInTable(event)) return
    const pressed = slotUnder(event)
    if (!pressed) return look.leave()
    thumb.current?.focus()
    const [only] = pressed.notches
    if (coarse || pressed.notches.length > 1 || !only || only.isPresent) look.hold(pressed)
    else takeOrAsk(only)
  }
  const onKeyDown = (event: React.KeyboardEvent): void => {
    const step = event.key === 'ArrowLeft' ? -1 : event.key === 'ArrowRight' ? 1 : undefined
    if (event.key === 'Escape' && slot) look.leave()
    else if (step && (event.shiftKey || (slot && isHeld))) look.step(step)
    else if (slot && isHeld && (event.key === 'ArrowUp' || event.key === 'ArrowDown'))
      look.stepRow(event.key === 'ArrowUp' ? -1 : 1, rows.length)
    else if (slot && isHeld && event.key === 'Enter') {
      const chosen = rows[row]
      if (chosen) takeOrAsk(chosen.notch)
    } else {
      const next = event.key === 'Home' ? cheapest : step && nextNotch(plate, step)
      if (next) onTake(plate, next)
      else if (event.key === 'ArrowUp') onGoToPlate(plate.id, -1)
      else if (event.key === 'ArrowDown') onGoToPlate(plate.id, 1)
      else if (event.key === 'Enter' || event.key === ' ') onList(plate)
      else if (step === undefined && event.key !== 'Home') return
    }
    event.preventDefault()
  }

  return (
    <S.Plate role="group" aria-label={name} data-plate={plate.id} data-looking={slot && ''}>
      <PlateLabel
        id={plate.id}
        name={name}
        value={shown?.name ?? 'unknown'}
        about={shown?.about ?? ''}
        isPinned={plate.fold === 'pinned'}
        onPin={onPin}
      />
      <S.Track
        ref={track}
        data-over-slot={slot && ''}
        data-lines={layout.lines}
        onClick={press}
        onPointerMove={(event) => {
          if (event.pointerType === 'mouse' && !isInTable(event)) look.pointAt(slotUnder(event))
        }}
        onPointerLeave={(event) => event.pointerType === 'mouse' && look.pointAt(undefined)}
        onDoubleClick={() => onList(plate)}
      >
        {slot && <S.LookedAt style={{ left: slot.x - gap / 2, width: gap }} />}
        <PlateDrawing clusters={clusters} axis={axis} near={[cheaper, dearer]} />
        <S.Thumb
          ref={thumb}
          role="slider"
          tabIndex={0}
          data-plate-focus=""
          aria-label={name}
          aria-orientation="horizontal"
          aria-valuemin={0}
          aria-valuemax={plate.notches.length - 1}
          aria-valuenow={Math.max(0, plate.present)}
          aria-valuetext={spokenValue(plate, words, currency)}
          style={{ left: axis.line - 13 }}
          onKeyDown={onKeyDown}
          onBlur={({ relatedTarget }) => {
            if (!track.current?.contains(relatedTarget)) look.leave()
          }}
        />
        <PlateCaptions
          plate={plate}
          axis={axis}
          near={near}
          layout={layout}
          words={words}
          onTake={(notch) => onTake(plate, notch)}
          onList={() => onList(plate)}
        />
        {slot && place && (
          <SlotTable
            plate={plate}
            rows={rows}
            count={slot.notches.length}
            currency={currency}
            activeRow={isHeld ? row : undefined}
            place={place}
            costOf={costOf}
            onTake={takeOrAsk}
            onList={(closedBy) => {
              look.leave()
              onList(plate, closedBy)
            }}
          />
        )}
        <VisuallyHidden aria-live="polite">
          {slot && isHeld && `${rows[row]?.name ?? ''}. ${slotSentence(rows, slot.notches.length)}`}
        </VisuallyHidden>
        {asked && (
          <AskedChoice
            notch={asked}
            inputs={inputs}
            words={words(asked)}
            anchor={track}
            onTake={(carried) => {
              setAsked(undefined)
              onTakeWith(asked, carried)
            }}
            onClose={() => setAsked(undefined)}
          />
        )}
      </S.Track>
    </S.Plate>
  )
})
