'use client'

import type { Notch, Plate } from '../../core/notches/plate.ts'
import { notchDifference, plateName, type ChoiceWords } from '../../wording/choice'
import type { CostAxis } from './axis.ts'
import * as S from './GaugePlate.styles'

interface PlateCaptionsProps {
  readonly plate: Plate
  readonly axis: CostAxis
  /** The nearest that fit, and the cheapest that does. */
  readonly near: {
    readonly cheaper: Notch | undefined
    readonly dearer: Notch | undefined
    readonly cheapest: Notch | undefined
  }
  readonly words: (notch: Notch) => ChoiceWords
  readonly onTake: (notch: Notch) => void
  readonly onList: () => void
}

/** Room that the cheapest choice's label takes at the left, and that of the list at the right. */
const CHEAPEST_WIDTH = 108
const LIST_WIDTH = 52
const BESIDE_LINE = 12
/** About what a letter of a caption takes; captions have two lines. */
const LETTER = 6.6
const LINES = 2

/** The nearest cheaper and dearer choice in full words beside the line; the cheapest gives way where they need its room. */
export function PlateCaptions({ plate, axis, near, words, onTake, onList }: PlateCaptionsProps) {
  const { cheaper, dearer, cheapest } = near
  const roomAtLeft = axis.line - BESIDE_LINE
  const lettersOf = (notch: Notch): number => words(notch).name.length + notchDifference(notch).length + 1
  const showsCheapest =
    cheapest !== undefined &&
    cheapest !== cheaper &&
    roomAtLeft - CHEAPEST_WIDTH > 100 &&
    (!cheaper || lettersOf(cheaper) * LETTER < (roomAtLeft - CHEAPEST_WIDTH) * LINES)
  return (
    <S.Captions>
      {showsCheapest && (
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
            maxWidth: roomAtLeft - (showsCheapest ? CHEAPEST_WIDTH : 0),
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
            maxWidth: axis.width - axis.line - BESIDE_LINE - LIST_WIDTH,
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
