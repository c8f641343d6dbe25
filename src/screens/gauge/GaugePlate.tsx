'use client'

import { useCallback, useEffect, useRef, useState } from 'react'
import { Button as AriaButton } from 'react-aria-components'
import {
  choiceWords,
  notchDifference as difference,
  plateName,
  type ChoiceWords,
} from '../../interface/wording/choice'
import { AskedChoice } from './AskedChoice'
import type { CostAxis } from './axis.ts'
import { ChoiceList } from './ChoiceList'
import { clusterNotches } from './clusterNotches.ts'
import * as S from './GaugePlate.styles'
import { PlateDrawing } from './PlateDrawing'
import { PlateLabel } from './PlateLabel'
import { PlateSlot } from './PlateSlot'
import { clusterLabel, nearest, spokenValue } from './plateText.ts'
import { useCoarsePointer } from './useCoarsePointer'
import {
  cheapestNotch,
  isOpen,
  nextNotch,
  type Carried,
  type Notch,
  type Plate,
  type PlatesInputs,
} from '../../core/notches/plate.ts'

interface GaugePlateProps {
  readonly plate: Plate
  readonly axis: CostAxis
  readonly inputs: PlatesInputs
  readonly currency: string
  readonly onTake: (notch: Notch) => void
  /** Takes a choice with all that it changes beside itself. */
  readonly onTakeWith: (notch: Notch, carried: Carried) => void
  /** Opens the list of all choices. */
  readonly onList: (plate: Plate) => void
  /** Moves the focus so many plates down, up when negative. */
  readonly onGoToPlate: (step: number) => void
}

/** Room that the cheapest choice's label takes at the left. */
const CHEAPEST_WIDTH = 108

/**
 * One decision. Arrow keys left and right take the next fitting choice, Home the cheapest, up and down go to the other
 * plates, Enter opens the list of all choices. Slots are pressed; one that holds several choices opens the list of
 * those, one that does not fit by itself says what it would change.
 */
export function GaugePlate({
  plate,
  axis,
  inputs,
  currency,
  onTake,
  onTakeWith,
  onList,
  onGoToPlate,
}: GaugePlateProps) {
  const coarse = useCoarsePointer()
  const track = useRef<HTMLDivElement>(null)
  const [lookedAt, setLookedAt] = useState<string>()
  const [listed, setListed] = useState<readonly Notch[]>()
  const [asked, setAsked] = useState<Notch>()
  const { resolved, month } = inputs
  const clusters = clusterNotches(plate, axis, coarse ? 44 : 26)
  const words = (notch: Notch): ChoiceWords => choiceWords(notch, resolved)
  const present = plate.notches[plate.present]
  const cheaper = nearest(plate, -1)
  const dearer = nearest(plate, 1)
  const cheapest = cheapestNotch(plate)
  const name = plateName(plate)
  const showsCheapest = cheapest !== undefined && cheapest !== cheaper && axis.line > 220

  const takeOrAsk = (notch: Notch): void => {
    if (notch.isPresent) return
    if (isOpen(notch)) onTake(notch)
    else setAsked(notch)
  }
  const looking = clusters.find(({ key }) => key === lookedAt)
  const press = (key: string): void => {
    const { notches = [] } = clusters.find((cluster) => cluster.key === key) ?? {}
    const [only] = notches
    if (notches.length > 1) setListed(notches)
    else if (only) takeOrAsk(only)
    setLookedAt(key)
  }
  // One function for all renders, so that slots which have not changed are not drawn anew.
  const latestPress = useRef(press)
  useEffect(() => {
    latestPress.current = press
  })
  const pressSlot = useCallback((key: string) => latestPress.current(key), [])
  const onKeyDown = (event: React.KeyboardEvent): void => {
    const step = event.key === 'ArrowLeft' ? -1 : event.key === 'ArrowRight' ? 1 : undefined
    const next = event.key === 'Home' ? cheapest : step && nextNotch(plate, step)
    if (next) onTake(next)
    else if (event.key === 'ArrowUp') onGoToPlate(-1)
    else if (event.key === 'ArrowDown') onGoToPlate(1)
    else if (event.key === 'Enter' || event.key === ' ') onList(plate)
    else if (step === undefined && event.key !== 'Home') return
    event.preventDefault()
  }

  return (
    <S.Plate role="group" aria-label={name} data-plate={plate.id}>
      <PlateLabel plate={plate} words={present && words(present)} />
      <S.Track ref={track} onPointerLeave={() => setLookedAt(undefined)} onDoubleClick={() => onList(plate)}>
        <PlateDrawing clusters={clusters} axis={axis} near={[cheaper, dearer]} />
        <S.Thumb
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
        />
        {clusters
          .filter(({ isPresent, notches }) => !isPresent || notches.length > 1)
          .map((cluster) => (
            <PlateSlot
              key={cluster.key}
              id={cluster.key}
              label={clusterLabel(cluster, words)}
              x={cluster.x}
              isPresent={cluster.isPresent}
              onPress={pressSlot}
              onLook={setLookedAt}
            />
          ))}
        <S.Captions>
          {looking ? (
            <S.Readout data-testid="readout">{clusterLabel(looking, words)}</S.Readout>
          ) : (
            <>
              {showsCheapest && (
                <S.Cheapest
                  as={AriaButton}
                  excludeFromTabOrder
                  aria-label={`Cheapest that fits: ${words(cheapest).name} ${difference(cheapest)}`}
                  style={{ maxWidth: CHEAPEST_WIDTH - 8 }}
                  onPress={() => onTake(cheapest)}
                >
                  cheapest <b>{difference(cheapest)}</b>
                </S.Cheapest>
              )}
              {cheaper && (
                <S.Cheaper
                  as={AriaButton}
                  excludeFromTabOrder
                  style={{
                    right: axis.width - axis.line + 12,
                    maxWidth: axis.line - 12 - (showsCheapest ? CHEAPEST_WIDTH : 0),
                  }}
                  onPress={() => onTake(cheaper)}
                >
                  <S.ChoiceName>{words(cheaper).name}</S.ChoiceName> <b>{difference(cheaper)}</b>
                </S.Cheaper>
              )}
              {dearer && (
                <S.Dearer
                  as={AriaButton}
                  excludeFromTabOrder
                  style={{ left: axis.line + 12, maxWidth: axis.width - axis.line - 64 }}
                  onPress={() => onTake(dearer)}
                >
                  <b>{difference(dearer)}</b> <S.ChoiceName>{words(dearer).name}</S.ChoiceName>
                </S.Dearer>
              )}
              <S.All
                as={AriaButton}
                excludeFromTabOrder
                aria-label={`All ${plate.notches.length} choices of ${name}`}
                onPress={() => onList(plate)}
              >
                all {plate.notches.length}
              </S.All>
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
}
