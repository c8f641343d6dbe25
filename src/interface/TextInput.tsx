'use client'

import { useState } from 'react'
import { FieldError, Input, Label, TextField } from 'react-aria-components'
import styled, { css } from 'styled-components'
import { media } from './theme/media'
import { VisuallyHidden } from './VisuallyHidden'

interface TextInputProps {
  readonly label: string
  readonly value: string
  /** Why the text will not do, else undefined. */
  readonly check: (text: string) => string | undefined
  readonly onCommit: (text: string) => void
  readonly showLabel?: boolean
  readonly autoFocus?: boolean
  readonly wide?: boolean
  /** Says what is wrong on top of what stands below, so that nothing moves. */
  readonly floating?: boolean
  /** What an empty line means. */
  readonly whenEmpty?: string
  /** Id of a list of what is usually meant, offered while typing. */
  readonly suggestions?: string
}

/**
 * A line of text that is taken on Enter or on leaving. Text that will not do stays as it is typed, with the reason,
 * and Escape brings back what was there.
 */
export function TextInput({
  label,
  value,
  check,
  onCommit,
  showLabel,
  autoFocus,
  wide,
  floating,
  whenEmpty,
  suggestions,
}: TextInputProps) {
  const [draft, setDraft] = useState<string | undefined>(undefined)
  const text = draft ?? value
  const problem = draft === undefined || draft === value ? undefined : check(draft)
  const commit = (): void => {
    if (draft === undefined || problem) return
    setDraft(undefined)
    if (draft !== value) onCommit(draft)
  }
  return (
    <Field value={text} onChange={setDraft} onBlur={commit} isInvalid={!!problem} autoFocus={!!autoFocus}>
      {showLabel ? <Label>{label}</Label> : <VisuallyHidden as={Label}>{label}</VisuallyHidden>}
      <Line
        $wide={!!wide}
        spellCheck={false}
        placeholder={whenEmpty ?? ''}
        autoComplete="off"
        list={suggestions}
        onKeyDown={(event) => {
          if (event.key === 'Enter') commit()
          if (event.key === 'Escape' && draft !== undefined) {
            event.stopPropagation()
            setDraft(undefined)
          }
        }}
      />
      <Problem $floating={!!floating}>{problem}</Problem>
    </Field>
  )
}

const Field = styled(TextField)`
  position: relative;
  display: grid;
  gap: 3px;
`

const Line = styled(Input)<{ readonly $wide: boolean }>`
  width: ${({ $wide }) => ($wide ? '100%' : '170px')};
  min-height: 26px;
  ${media.coarse} {
    min-height: 44px;
  }
  padding: 2px 7px;
  border: 1px solid var(--plate-edge);
  border-radius: 3px;
  background: var(--sheet);

  &[data-invalid] {
    border-color: var(--leak);
  }
`

const Problem = styled(FieldError)<{ readonly $floating: boolean }>`
  ${({ $floating }) =>
    $floating &&
    css`
      position: absolute;
      top: 100%;
      right: 0;
      z-index: 2;
      width: 260px;
      padding: 5px 8px;
      background: var(--sheet);
      border: 1px solid var(--leak);
    `}
  color: var(--leak);
  font-size: 12px;
  max-width: 420px;
`
