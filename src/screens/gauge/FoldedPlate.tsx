'use client'

import { memo } from 'react'
import { Button as AriaButton } from 'react-aria-components'
import type { PlateId } from '../../core/machine/decision.ts'
import type { ResolvedMachine } from '../../core/machine/resolveMachine.ts'
import { choiceWords, plateName } from '../../wording/choice'
import * as S from './GaugePlate.styles'
import { PlateLabel } from './PlateLabel'
import { foldText } from './plateText.ts'
import type { Plate } from '../../core/notches/plate.ts'

export type PinPlate = (id: PlateId, name: string, isPinned: boolean) => void

interface FoldedPlateProps {
  readonly plate: Plate
  readonly resolved: ResolvedMachine
  readonly onOpen: (id: PlateId) => void
  readonly onPin: PinPlate
  readonly onGoToPlate: (from: PlateId, step: number) => void
}

/** A plate that cannot save anything, or is pinned: one line that says so, and opens. */
export const FoldedPlate = memo(function FoldedPlate({
  plate,
  resolved,
  onOpen,
  onPin,
  onGoToPlate,
}: FoldedPlateProps) {
  const name = plateName(plate)
  const present = plate.notches[plate.present]
  const words = present && choiceWords(present, resolved)
  const why = foldText(plate, (notch) => choiceWords(notch, resolved))
  return (
    <S.Folded role="group" aria-label={name} data-plate={plate.id}>
      <PlateLabel
        id={plate.id}
        name={name}
        value={words?.name ?? 'unknown'}
        about=""
        isPinned={plate.fold === 'pinned'}
        onPin={onPin}
      />
      <S.FoldNote
        as={AriaButton}
        data-plate-focus=""
        aria-label={`${name}: ${words?.name ?? 'unknown'}, ${why}. Show the choices.`}
        onPress={() => onOpen(plate.id)}
        onKeyDown={(event: React.KeyboardEvent) => {
          if (event.key === 'ArrowUp') onGoToPlate(plate.id, -1)
          else if (event.key === 'ArrowDown') onGoToPlate(plate.id, 1)
        }}
      >
        {why} <S.FoldOpen>show</S.FoldOpen>
      </S.FoldNote>
    </S.Folded>
  )
})
