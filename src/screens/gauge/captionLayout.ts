import type { Notch } from '../../core/notches/plate.ts'
import { notchDifference, type ChoiceWords } from '../../wording/choice'
import type { CostAxis } from '../../core/notches/costAxis.ts'

/** The nearest choices that fit, and the cheapest that does. */
export interface NearNotches {
  readonly cheaper: Notch | undefined
  readonly dearer: Notch | undefined
  readonly cheapest: Notch | undefined
}

export interface CaptionLayout {
  /** Widths in pixels of what stands left and right of the line. */
  readonly left: number
  readonly right: number
  readonly showsCheapest: boolean
  readonly lines: 1 | 2
}

/** Between the line and what stands beside it. */
export const BESIDE_LINE = 12
/** Room that the cheapest choice's label takes at the left, and that of the list at the right. */
const CHEAPEST_WIDTH = 108
const LIST_WIDTH = 52
/** About what a letter of a caption takes, rather too much. */
const LETTER = 6.6
const LEAST_LEFT = 100

/** How captions stand so that no word is cut: in one line or two; the cheapest gives way where its room is needed. */
export function captionLayout(
  { cheaper, dearer, cheapest }: NearNotches,
  { line, width }: CostAxis,
  words: (notch: Notch) => ChoiceWords,
): CaptionLayout {
  const lengthOf = (notch: Notch | undefined): number =>
    notch ? (words(notch).name.length + notchDifference(notch).length + 1) * LETTER : 0
  const whole = line - BESIDE_LINE
  const less = whole - CHEAPEST_WIDTH
  const showsCheapest =
    cheapest !== undefined && cheapest !== cheaper && less > LEAST_LEFT && lengthOf(cheaper) < less * 2
  const left = showsCheapest ? less : whole
  const right = width - line - BESIDE_LINE - LIST_WIDTH
  return {
    left,
    right,
    showsCheapest,
    lines: lengthOf(cheaper) > left || lengthOf(dearer) > right ? 2 : 1,
  }
}
