'use client'

import { QuietButton } from '../../interface/Button'

/** Entries that a press adds once a list is long. */
const STEP = 100

interface ShowMoreProps {
  /** Entries that are shown at first, and now. */
  readonly shown: number
  readonly now: number
  /** Entries that can be shown, of all that there are. */
  readonly there: number
  readonly count: number
  readonly onShow: (most: number) => void
}

/** Lets a list show more of itself, a hundred at a time, and fold again. */
export function ShowMore({ shown, now, there, count, onShow }: ShowMoreProps) {
  if (count <= shown) return null
  return (
    <>
      {now < there && (
        <QuietButton onPress={() => onShow(now + STEP)}>
          {count - now <= STEP ? `${count - now} more` : `${STEP} more of ${count - now}`}
        </QuietButton>
      )}
      {now > shown && <QuietButton onPress={() => onShow(shown)}>Only the first</QuietButton>}
    </>
  )
}
