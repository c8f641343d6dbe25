'use client'

import { useState } from 'react'
import { Slider, SliderThumb, SliderTrack } from 'react-aria-components'
import styled from 'styled-components'
import { media } from './theme/media'

interface StepSliderProps {
  readonly label: string
  /** Growing. */
  readonly steps: readonly number[]
  /** Stands at the first step that is no less. */
  readonly value: number
  readonly textOf: (value: number) => string
  /** While it is dragged, and then once when it is let go; let go where it stood, the value is what it was. */
  readonly onDrag: (value: number) => void
  readonly onChange: (value: number) => void
}

/** A value out of some that grow faster and faster, dragged along a line. Arrow keys go from one to the next. */
export function StepSlider({ label, steps, value, textOf, onDrag, onChange }: StepSliderProps) {
  // Whoever draws the value need not draw it again at each step.
  const [dragged, setDragged] = useState<number>()
  const placeOf = (of: number): number => {
    const found = steps.findIndex((step) => step >= of)
    return found < 0 ? steps.length - 1 : found
  }
  return (
    <Bar
      aria-label={label}
      minValue={0}
      maxValue={steps.length - 1}
      step={1}
      value={placeOf(dragged ?? value)}
      onChange={(position) => {
        const next = steps[position as number]!
        setDragged(next)
        onDrag(next)
      }}
      onChangeEnd={(position) => {
        setDragged(undefined)
        // A value between two steps stays when its slider is only pressed.
        onChange(position === placeOf(value) ? value : steps[position as number]!)
      }}
    >
      <Track>
        <Thumb aria-valuetext={textOf(dragged ?? value)}>
          {dragged !== undefined && <Says aria-hidden="true">{textOf(dragged)}</Says>}
        </Thumb>
      </Track>
    </Bar>
  )
}

const Bar = styled(Slider)`
  flex: 1 0 100%;
  max-width: 150px;
`

const Track = styled(SliderTrack)`
  height: 24px;
  cursor: pointer;

  &::before {
    content: '';
    position: absolute;
    inset: 11px 0;
    background: var(--plate-edge);
  }
  ${media.coarse} {
    height: 44px;

    &::before {
      inset: 21px 0;
    }
  }
`

/** The notch that is filed into a plate. */
const Thumb = styled(SliderThumb)`
  top: 50%;
  width: 12px;
  height: 18px;
  border: 1px solid var(--ink);
  border-radius: 1px 1px 5px 5px;
  background: var(--sheet);

  &[data-focus-visible] {
    outline: 2px solid var(--focus);
    outline-offset: 1px;
  }
  &[data-dragging] {
    background: var(--ink);
  }
`

const Says = styled.span`
  position: absolute;
  top: 20px;
  left: 50%;
  transform: translateX(-50%);
  padding: 1px 5px;
  white-space: nowrap;
  font-size: 12px;
  color: var(--sheet);
  background: var(--ink);
  border-radius: 2px;
`
