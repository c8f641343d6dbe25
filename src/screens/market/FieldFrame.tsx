'use client'

import { memo, useCallback, useMemo, useRef } from 'react'
import styled from 'styled-components'
import type { FieldMeasure } from '../../core/market/fieldMeasure.ts'
import { WHOLE_FIELD, type FieldPart } from '../../core/market/fieldPart.ts'
import { openScales } from '../../core/market/fieldScales.ts'
import type { FieldMark } from '../../core/market/fieldMarks.ts'
import type { MarketView } from '../../core/market/marketView.ts'
import type { OfferName } from '../../core/market/offerName.ts'
import { Button } from '../../interface/Button'
import { Dropdown } from '../../interface/Dropdown'
import { formatNumber } from '../../wording/number'
import { MEASURE_NAMES } from '../../wording/fieldMeasure'
import { EdgeWalk } from './EdgeWalk'
import { FieldDrawing } from './FieldDrawing'
import { FIELD_HEIGHT } from './fieldHeight.ts'
import { useFieldGestures } from './useFieldGestures'
import { zoomed } from './zoomed.ts'

interface FieldFrameProps {
  readonly view: MarketView
  readonly width: number
  readonly currency: string
  readonly measure: FieldMeasure
  /** What can stand down: nothing is far away where nobody is anywhere, and few books say what carbon is. */
  readonly measures: readonly FieldMeasure[]
  readonly part: FieldPart
  /** Key of the offer that is looked at. */
  readonly chosen: string | undefined
  readonly onChange: (part: { readonly measure?: FieldMeasure; readonly part?: FieldPart }) => void
  readonly onPick: (offer: OfferName) => void
}

/** The field with what stands around it: what is down, and how near one looks. */
export const FieldFrame = memo(function FieldFrame(props: FieldFrameProps) {
  const { view, width, currency, measure, measures, part, chosen, onChange, onPick } = props
  const scales = useMemo(() => openScales(view.scales), [view.scales])
  const field = useRef<HTMLDivElement>(null)
  const look = (next: FieldPart): void => onChange({ part: next })
  const open = useCallback(
    (mark: FieldMark) =>
      mark.count === 1 ? onPick(mark.cheapest) : onChange({ part: zoomed(part, 0.4, mark.x, mark.y) }),
    [part, onPick, onChange],
  )
  const { lasso, handlers } = useFieldGestures(field, part, look)
  const isWhole = part === WHOLE_FIELD
  const drawn = view.marks.reduce((sum, { count, isBeyond }) => sum + (isBeyond ? 0 : count), 0)
  const unknown = isWhole ? Math.max(0, view.fitting - drawn) : 0
  return (
    <Figure aria-label="Everything that fits, by cost">
      <FieldBar measure={measure} measures={measures} part={part} onChange={onChange} />
      <Field ref={field} {...handlers} data-testid="field">
        <FieldDrawing
          view={view}
          scales={scales}
          part={part}
          width={width}
          height={FIELD_HEIGHT}
          currency={currency}
          chosen={chosen}
          onOpen={open}
        />
        {lasso && <Lasso style={lasso} />}
        <EdgeWalk view={view} measure={measure} currency={currency} chosen={chosen} onPick={onPick} />
      </Field>
      <Caption>
        a month, under its own week; better stands lower. Drag to move, draw with Shift held to look at a
        part, press a count to open it.
        {unknown > 0 && ` Not drawn: ${formatNumber(unknown)} of which this is not known.`}
      </Caption>
    </Figure>
  )
})

type FieldBarProps = Pick<FieldFrameProps, 'measure' | 'measures' | 'part' | 'onChange'>

/** What is down, and how near one looks. */
const FieldBar = memo(function FieldBar({ measure, measures, part, onChange }: FieldBarProps) {
  const look = (next: FieldPart): void => onChange({ part: next })
  const isWhole = part === WHOLE_FIELD
  return (
    <Bar>
      <Down>
        down:
        <Dropdown
          label="What stands down the field"
          value={measure}
          options={measures.map((id) => ({ id, name: MEASURE_NAMES[id] }))}
          onChange={(id) => onChange({ measure: id as FieldMeasure, part: WHOLE_FIELD })}
        />
      </Down>
      <Zoom>
        <Button aria-label="Look nearer" onPress={() => look(zoomed(part, 0.6, 0.5, 0.5))}>
          +
        </Button>
        <Button
          aria-label="Look from farther away"
          isDisabled={isWhole}
          onPress={() => look(zoomed(part, 1 / 0.6, 0.5, 0.5))}
        >
          −
        </Button>
        <Button isDisabled={isWhole} onPress={() => look(WHOLE_FIELD)}>
          Whole field
        </Button>
      </Zoom>
    </Bar>
  )
})

const Figure = styled.figure`
  margin: 0;
  min-width: 0;
`

const Bar = styled.div`
  display: flex;
  flex-wrap: wrap;
  justify-content: space-between;
  align-items: center;
  gap: 6px 10px;
  margin: 6px 0;
  font-size: 12px;
  color: var(--ink-2);
`

const Down = styled.span`
  display: inline-flex;
  gap: 6px;
  align-items: baseline;
`

const Zoom = styled.span`
  display: inline-flex;
  gap: 4px;
`

const Field = styled.div`
  position: relative;
  height: ${FIELD_HEIGHT + 22}px;
  touch-action: none;
  user-select: none;
  overflow: hidden;
`

const Lasso = styled.div`
  position: absolute;
  border: 1px dashed var(--ink);
  pointer-events: none;
`

const Caption = styled.figcaption`
  font-size: 12px;
  color: var(--ink-2);
`
