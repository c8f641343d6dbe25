'use client'

import { useState } from 'react'
import styled from 'styled-components'
import { QuietButton } from '../../interface/Button'
import { Dialog } from '../../interface/Dialog'
import { TextInput } from '../../interface/TextInput'

interface EditableNameProps {
  readonly label: string
  readonly name: string
  readonly taken: readonly string[]
  readonly most: number
  readonly onRename: (name: string) => void
}

/** A name that can be pressed to change it. */
export function EditableName({ label, name, taken, most, onRename }: EditableNameProps) {
  const [open, setOpen] = useState(false)
  return (
    <>
      <Name aria-label={`${label}: ${name}. Rename`} onPress={() => setOpen(true)}>
        {name}
      </Name>
      <RenameDialog
        {...{ label, name, taken, most, onRename }}
        isOpen={open}
        onClose={() => setOpen(false)}
      />
    </>
  )
}

interface RenameDialogProps extends EditableNameProps {
  readonly isOpen: boolean
  readonly onClose: () => void
}

/** Asks for another name; Enter takes it. */
export function RenameDialog({ label, name, taken, most, onRename, isOpen, onClose }: RenameDialogProps) {
  return (
    <Dialog title={label} isOpen={isOpen} onClose={onClose}>
      <TextInput
        label={label}
        value={name}
        check={(text) => nameProblem(text, taken, most)}
        autoFocus
        wide
        onCommit={(text) => {
          onRename(text.trim())
          onClose()
        }}
      />
    </Dialog>
  )
}

/** Why a name will not do: the same rules as in a file. */
function nameProblem(text: string, taken: readonly string[], most: number): string | undefined {
  const name = text.trim()
  if (name === '') return 'Give it a name.'
  if (name.length > most) return `At most ${most} characters; this has ${name.length}.`
  if (/[\p{Cc}\p{Cf}\p{Zl}\p{Zp}]/u.test(name)) return 'One line of plain text, without control characters.'
  if (taken.includes(name)) return 'Another one has this name; names are unique.'
  return undefined
}

const Name = styled(QuietButton)`
  min-width: 0;
  white-space: normal;
  color: var(--ink-2);
`
