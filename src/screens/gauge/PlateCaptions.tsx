'use client'

import { BESIDE_LINE, type CaptionLayout, type NearNotches } from './captionLayout.ts'
import type { Notch, Plate } from '../../core/notches/plate.ts'
import { notchDifference, plateName, type ChoiceWords } from '../../wording/choice'
import type { CostAxis } from '../../core/notches/costAxis.ts'
import * as S from './GaugePlate.styles'

interface PlateCaptionsProps {
  readonly plate: Plate
  readonly axis: CostAxis
  readonly near: NearNotches
  readonly layout: CaptionLayout
  readonly words: (notch: Notch) => ChoiceWords
  readonly onTake: (notch: Notch) => void
  readonly onList: () => void
}

/** The nearest cheaper and dearer choice in full words beside the line; the cheapest gives way where they need its room. */
export function PlateCaptions({ plate, axis, near, layout, words, onTake, onList }: PlateCaptionsProps) {
  const { cheaper, dearer, cheapest } = near
  const { left, right, showsCheapest } = layout
  return (
    <S.Captions>
      {showsCheapest && cheapest && (
        <button
          data-caption="cheapest"
          type="button"
          tabIndex={-1}
          aria-label={`Cheapest that fits: ${words(cheapest).name} ${notchDifference(cheapest)}`}
          onClick={() => onTake(cheapest)}
        >
          cheapest <b>{notchDifference(cheapest)}</b>
        </button>
      )}
      {cheaper && (
        <button
          data-caption="cheaper"
          type="button"
          tabIndex={-1}
          style={{
            right: axis.width - axis.line + BESIDE_LINE,
            maxWidth: left,
          }}
          onClick={() => onTake(cheaper)}
        >
          {words(cheaper).name} <b>{notchDifference(cheaper)}</b>
        </button>
      )}
      {dearer && (
        <button
          data-caption="dearer"
          type="button"
          tabIndex={-1}
          style={{
            left: axis.line + BESIDE_LINE,
            maxWidth: right,
          }}
          onClick={() => onTake(dearer)}
        >
          <b>{notchDifference(dearer)}</b> {words(dearer).name}
        </button>
      )}
      <button
        data-caption="all"
        type="button"
        tabIndex={-1}
        aria-label={`All ${plate.notches.length} choices of ${plateName(plate)}`}
        onClick={onList}
      >
        all {plate.notches.length}
      </button>
    </S.Captions>
  )
}
