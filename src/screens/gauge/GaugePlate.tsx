'use client'

import { memo, useRef, useState } from 'react'
import type { PlateId } from '../../core/machine/decision.ts'
import { choiceWords, notchDifference as difference, plateName, type ChoiceWords } from '../../wording/choice'
import type { CostAxis } from './axis.ts'
import { clusterNotches, type Cluster } from './clusterNotches.ts'
import * as S from './GaugePlate.styles'
import type { PinPlate } from './FoldedPlate'
import { PlateDrawing } from './PlateDrawing'
import { PlateLabel } from './PlateLabel'
import { clusterLabel, nearest, spokenValue } from './plateText.ts'
import { slotAt } from './slotAt.ts'
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

const ChoiceList = lazyDialog(() => import('./ChoiceList'), 'ChoiceList')
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
  /** Opens the list of all choices. */
  readonly onList: (plate: Plate) => void
  /** Moves the focus so many plates down from one, up when negative. */
  readonly onGoToPlate: (from: PlateId, step: number) => void
}

/** Room that the cheapest choice's label takes at the left. */
const CHEAPEST_WIDTH = 108
/** Between the middles of two slots, and so the width of what can be pressed. */
const SLOT_GAP = 26
const SLOT_GAP_COARSE = 44

/**
 * One decision. Arrow keys left and right take the next fitting choice, Home the cheapest, up and down go to the other
 * plates, Enter opens the list of all choices. Slots are pressed, found by where the pointer is; one that holds several choices opens the list of
 * those, one that does not fit by itself says what it would change.
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
}: GaugePlateProps) {
  const track = useRef<HTMLDivElement>(null)
  const thumb = useRef<HTMLDivElement>(null)
  const [lookedAt, setLookedAt] = useState<string>()
  const [listed, setListed] = useState<readonly Notch[]>()
  const [asked, setAsked] = useState<Notch>()
  const { resolved, month } = inputs
  const gap = coarse ? SLOT_GAP_COARSE : SLOT_GAP
  const clusters = clusterNotches(plate, axis, gap)
  const words = (notch: Notch): ChoiceWords => choiceWords(notch, resolved)
  const present = plate.notches[plate.present]
  const shown = present && words(present)
  const cheaper = nearest(plate, -1)
  const dearer = nearest(plate, 1)
  const cheapest = cheapestNotch(plate)
  const name = plateName(plate)
  const showsCheapest = cheapest !== undefined && cheapest !== cheaper && axis.line > 220

  const takeOrAsk = (notch: Notch): void => {
    if (notch.isPresent) return
    if (isOpen(notch)) onTake(plate, notch)
    else setAsked(notch)
  }
  const looking = clusters.find(({ key }) => key === lookedAt)
  const slotUnder = ({ clientX, clientY, currentTarget, target }: React.MouseEvent): Cluster | undefined => {
    // A dialog of this plate is drawn elsewhere on the page, yet its events arrive here.
    if (!(target instanceof Element) || !currentTarget.contains(target)) return undefined
    const { left, top } = currentTarget.getBoundingClientRect()
    const slot = clientY - top <= gap ? slotAt(clusters, clientX - left, gap / 2) : undefined
    return slot && slot.isPresent && slot.notches.length === 1 ? undefined : slot
  }
  const press = (event: React.MouseEvent): void => {
    const slot = slotUnder(event)
    if (!slot) return
    const [only] = slot.notches
    thumb.current?.focus()
    setLookedAt(slot.key)
    if (slot.notches.length > 1) setListed(slot.notches)
    else if (only) takeOrAsk(only)
  }
  const onKeyDown = (event: React.KeyboardEvent): void => {
    const step = event.key === 'ArrowLeft' ? -1 : event.key === 'ArrowRight' ? 1 : undefined
    const next = event.key === 'Home' ? cheapest : step && nextNotch(plate, step)
    if (next) onTake(plate, next)
    else if (event.key === 'ArrowUp') onGoToPlate(plate.id, -1)
    else if (event.key === 'ArrowDown') onGoToPlate(plate.id, 1)
    else if (event.key === 'Enter' || event.key === ' ') onList(plate)
    else if (step === undefined && event.key !== 'Home') return
    event.preventDefault()
  }

  return (
    <S.Plate role="group" aria-label={name} data-plate={plate.id}>
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
        data-over-slot={looking && ''}
        onClick={press}
        onPointerMove={(event) => event.pointerType === 'mouse' && setLookedAt(slotUnder(event)?.key)}
        onPointerLeave={() => setLookedAt(undefined)}
        onDoubleClick={() => onList(plate)}
      >
        {looking && <S.LookedAt style={{ left: looking.x - gap / 2, width: gap }} />}
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
          onBlur={() => setLookedAt(undefined)}
        />
        <S.Captions>
          {looking ? (
            <span data-caption="readout" data-testid="readout">
              {clusterLabel(looking, words)}
            </span>
          ) : (
            <>
              {showsCheapest && (
                <button
                  data-caption="cheapest"
                  type="button"
                  tabIndex={-1}
                  aria-label={`Cheapest that fits: ${words(cheapest).name} ${difference(cheapest)}`}
                  style={{ maxWidth: CHEAPEST_WIDTH - 8 }}
                  onClick={() => onTake(plate, cheapest)}
                >
                  cheapest <b>{difference(cheapest)}</b>
                </button>
              )}
              {cheaper && (
                <button
                  data-caption="cheaper"
                  type="button"
                  tabIndex={-1}
                  style={{
                    right: axis.width - axis.line + 12,
                    maxWidth: axis.line - 12 - (showsCheapest ? CHEAPEST_WIDTH : 0),
                  }}
                  onClick={() => onTake(plate, cheaper)}
                >
                  <span>{words(cheaper).name}</span> <b>{difference(cheaper)}</b>
                </button>
              )}
              {dearer && (
                <button
                  data-caption="dearer"
                  type="button"
                  tabIndex={-1}
                  style={{ left: axis.line + 12, maxWidth: axis.width - axis.line - 64 }}
                  onClick={() => onTake(plate, dearer)}
                >
                  <b>{difference(dearer)}</b> <span>{words(dearer).name}</span>
                </button>
              )}
              <button
                data-caption="all"
                type="button"
                tabIndex={-1}
                aria-label={`All ${plate.notches.length} choices of ${name}`}
                onClick={() => onList(plate)}
              >
                all {plate.notches.length}
              </button>
            </>
          )}
        </S.Captions>
        {listed && (
          <ChoiceList
            title={name}
            anchor={track}
            notches={listed}
            words={words}
            currency={currency}
            month={month}
            onTake={(notch) => {
              setListed(undefined)
              takeOrAsk(notch)
            }}
            onClose={() => setListed(undefined)}
          />
        )}
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
