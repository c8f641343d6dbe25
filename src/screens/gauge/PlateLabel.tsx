'use client'

import { ToggleButton } from 'react-aria-components'
import { plateName, type ChoiceWords } from '../../interface/wording/choice'
import { pinPlate } from '../../store/commands.ts'
import { useWorkbench } from '../workbench/WorkbenchContext'
import * as S from './GaugePlate.styles'
import type { Plate } from '../../core/notches/plate.ts'

interface PlateLabelProps {
  readonly plate: Plate
  readonly words: ChoiceWords | undefined
}

/** What is decided, what was decided, and whether it is kept as it is. */
export function PlateLabel({ plate, words }: PlateLabelProps) {
  const { session, machine } = useWorkbench()
  const name = plateName(plate)
  const pinned = plate.fold === 'pinned'
  return (
    <S.Decision>
      <S.Kind>
        {name} <S.About>{words?.about}</S.About>
      </S.Kind>
      <S.Value>{words?.name ?? 'unknown'}</S.Value>
      <S.PinToggle
        as={ToggleButton}
        aria-label={`Keep ${name} as it is`}
        isSelected={pinned}
        onChange={(isPinned) => {
          if (!machine) return
          const what = isPinned ? 'keep' : 'let go of'
          session.edit(`${machine.name}: ${what} ${name}`, pinPlate(machine.name, plate.id, isPinned))
        }}
      >
        <svg width="12" height="14" aria-hidden="true">
          <path d="M3 1h6v5l2 2v1H1V8l2-2z" fill={pinned ? 'var(--ink)' : 'none'} stroke="currentColor" />
          <path d="M6 9v4.500" stroke="currentColor" />
        </svg>
      </S.PinToggle>
    </S.Decision>
  )
}
