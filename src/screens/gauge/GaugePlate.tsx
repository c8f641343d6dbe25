'use client'

import { useCallback, useEffect, useRef, useState } from 'react'
import { Button as AriaButton } from 'react-aria-components'
import type { WeekPlan } from '../../core/calendar/weekPlan.ts'
import type { ResolvedMachine } from '../../core/machine/resolveMachine.ts'
import { nextNotch, type Notch, type Plate } from '../../core/notches/plates.ts'
import type { BillingMonth } from '../../core/calendar/billingMonth.ts'
import { sign } from '../../core/quantity/exact.ts'
import { choiceWords, DECISION_NAMES, type ChoiceWords } from '../../interface/wording/choice'
import { formatMoney } from '../../interface/wording/money'
import { notchDifference as difference } from '../../interface/wording/choice'
import { reasonsText } from '../../interface/wording/reason'
import type { CostAxis } from './axis.ts'
import { ChoiceList } from './ChoiceList'
import { clusterNotches, type Cluster } from './clusterNotches.ts'
import * as S from './GaugePlate.styles'
import { PlateSlot } from './PlateSlot'
import { useCoarsePointer } from './useCoarsePointer'

interface GaugePlateProps {
  readonly plate: Plate
  readonly axis: CostAxis
  readonly resolved: ResolvedMachine
  readonly weeks: readonly WeekPlan[]
  readonly currency: string
  readonly month: BillingMonth
  readonly onTake: (notch: Notch) => void
  /** Moves the focus so many plates down, up when negative. */
  readonly onGoToPlate: (step: number) => void
}

/**
 * One decision. Arrow keys left and right take the next fitting choice, up and down go to the other plates, Enter
 * opens the list of all choices. Slots are pressed; one that holds several choices opens the list of those.
 */
export function GaugePlate({
  plate,
  axis,
  resolved,
  weeks,
  currency,
  month,
  onTake,
  onGoToPlate,
}: GaugePlateProps) {
  const coarse = useCoarsePointer()
  const track = useRef<HTMLDivElement>(null)
  const [lookedAt, setLookedAt] = useState<string>()
  const [listed, setListed] = useState<readonly Notch[]>()
  const clusters = clusterNotches(plate, axis, coarse ? 44 : 26)
  const words = (notch: Notch): ChoiceWords => choiceWords(notch.choice, resolved, weeks)
  const present = plate.notches[plate.present]
  const cheaper = nearest(plate, -1)
  const dearer = nearest(plate, 1)
  const closed = plate.notches.filter(({ reasons }) => reasons.length > 0).length
  const name = DECISION_NAMES[plate.decision]

  const looking = clusters.find(({ key }) => key === lookedAt)
  const press = (key: string): void => {
    const { notches = [] } = clusters.find((cluster) => cluster.key === key) ?? {}
    const [only] = notches
    if (notches.length > 1) setListed(notches)
    else if (only && only.reasons.length === 0 && !only.isPresent) onTake(only)
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
    const next = step && nextNotch(plate, step)
    if (next) onTake(next)
    else if (event.key === 'ArrowUp') onGoToPlate(-1)
    else if (event.key === 'ArrowDown') onGoToPlate(1)
    else if (event.key === 'Enter' || event.key === ' ') setListed(plate.notches)
    else if (step === undefined) return
    event.preventDefault()
  }

  return (
    <S.Plate role="group" aria-label={name} data-plate={plate.decision}>
      <S.Decision>
        <S.Kind>{name}</S.Kind>
        <S.Value>{present ? words(present).name : 'unknown'}</S.Value>
        <S.About>{present ? words(present).about : ''}</S.About>
      </S.Decision>
      <S.Track ref={track} onPointerLeave={() => setLookedAt(undefined)}>
        <PlateDrawing clusters={clusters} axis={axis} cheaper={cheaper} dearer={dearer} />
        <S.Thumb
          role="slider"
          tabIndex={0}
          aria-label={name}
          aria-orientation="horizontal"
          aria-valuemin={0}
          aria-valuemax={plate.notches.length - 1}
          aria-valuenow={Math.max(0, plate.present)}
          aria-valuetext={spokenValue({ plate, present, cheaper, dearer, words, currency, closed })}
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
              {cheaper && (
                <S.Cheaper
                  as={AriaButton}
                  excludeFromTabOrder
                  style={{ right: axis.width - axis.line + 12, maxWidth: axis.line - 12 }}
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
                onPress={() => setListed(plate.notches)}
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
              onTake(notch)
            }}
            onClose={() => setListed(undefined)}
          />
        )}
      </S.Track>
    </S.Plate>
  )
}

/** The nearest fitting choice that costs less or more; choices at the same price are passed over. */
function nearest(plate: Plate, direction: -1 | 1): Notch | undefined {
  for (let i = plate.present + direction; i >= 0 && i < plate.notches.length; i += direction) {
    const { difference, reasons } = plate.notches[i]!
    if (difference && sign(difference) === direction && reasons.length === 0) return plate.notches[i]
  }
  return undefined
}

interface PlateDrawingProps {
  readonly clusters: readonly Cluster[]
  readonly axis: CostAxis
  readonly cheaper: Notch | undefined
  readonly dearer: Notch | undefined
}

/** A steel plate: open choices are slots cut from above, closed ones are crosses, the present one holds the pin. */
function PlateDrawing({ clusters, axis, cheaper, dearer }: PlateDrawingProps) {
  const left = Math.max(0, Math.min(axis.line, ...clusters.map(({ x }) => x)) - 18)
  const right = Math.min(axis.width, Math.max(axis.line, ...clusters.map(({ x }) => x)) + 18)
  return (
    <S.Drawing width={axis.width} height={32} aria-hidden="true">
      <S.Steel x={left} y={6} width={right - left} height={22} rx={3} />
      {clusters.map((cluster) => {
        const near = cluster.notches.some((notch) => notch === cheaper || notch === dearer)
        const many = cluster.notches.length
        return (
          <S.Moving key={cluster.key} style={{ transform: `translateX(${cluster.x}px)` }}>
            {cluster.isPresent ? (
              <S.Pin d="M-5 1h10v18a5 5 0 0 1-10 0z" />
            ) : cluster.open ? (
              <S.Cut
                $near={near}
                d={
                  many > 1
                    ? 'M-9 6v9a4 4 0 0 0 4 4h10a4 4 0 0 0 4-4v-9z'
                    : 'M-4.500 6v8a4.500 4.500 0 0 0 9 0v-8z'
                }
              />
            ) : (
              many === 1 && <S.Cross d="M-3.500 13.500l7 7m0-7l-7 7" />
            )}
            {many > 1 && (
              <S.Count y={cluster.isPresent ? 15 : cluster.open ? 16 : 21} $present={cluster.isPresent}>
                {cluster.isPresent ? many : cluster.open ? many : `×${many}`}
              </S.Count>
            )}
          </S.Moving>
        )
      })}
    </S.Drawing>
  )
}

function clusterLabel({ notches }: Cluster, words: (notch: Notch) => ChoiceWords): string {
  const [first] = notches
  const last = notches.at(-1)
  if (notches.length === 1 && first) {
    const closed = first.reasons.length > 0 ? `, closed: ${reasonsText(first.reasons)}` : ''
    return `${words(first).name} ${difference(first)}${closed}`
  }
  if (!first || !last) return ''
  const open = notches.filter(({ reasons }) => reasons.length === 0).length
  const range = [difference(first), difference(last)]
  const spread = range[0] === range[1] ? `at ${range[0]}` : `from ${range[0]} to ${range[1]}`
  return `${notches.length} choices ${spread}, ${open} of them fit`
}

interface SpokenInputs {
  readonly plate: Plate
  readonly present: Notch | undefined
  readonly cheaper: Notch | undefined
  readonly dearer: Notch | undefined
  readonly words: (notch: Notch) => ChoiceWords
  readonly currency: string
  readonly closed: number
}

function spokenValue({ plate, present, cheaper, dearer, words, currency, closed }: SpokenInputs): string {
  if (!present) return 'unknown'
  const cost = present.total ? `, ${formatMoney(present.total, currency)} a month` : ''
  const side = (label: string, notch: Notch | undefined): string =>
    notch ? ` ${label}: ${words(notch).name}, ${difference(notch)}.` : ` Nothing ${label.toLowerCase()} fits.`
  const shut = closed > 0 ? ` ${closed} of ${plate.notches.length} choices are closed.` : ''
  return `${words(present).name}${cost}.${side('Cheaper', cheaper)}${side('Dearer', dearer)}${shut}`
}
