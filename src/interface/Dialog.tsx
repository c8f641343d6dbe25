'use client'

import type { ReactNode } from 'react'
import { Dialog as AriaDialog, Heading, Modal, ModalOverlay } from 'react-aria-components'
import styled from 'styled-components'

interface DialogProps {
  readonly title: string
  readonly isOpen: boolean
  readonly onClose: () => void
  /** For tables. */
  readonly wide?: boolean
  readonly children: ReactNode
}

/** A question or a list that has to be seen before going on. Escape and a press outside close it. */
export function Dialog({ title, isOpen, onClose, wide, children }: DialogProps) {
  return (
    <Overlay isOpen={isOpen} onOpenChange={(open) => !open && onClose()} isDismissable>
      <Sheet $wide={!!wide}>
        <Body>
          <Title slot="title">{title}</Title>
          {children}
        </Body>
      </Sheet>
    </Overlay>
  )
}

const Overlay = styled(ModalOverlay)`
  position: fixed;
  inset: 0;
  z-index: 10;
  display: grid;
  place-items: center;
  background: rgb(0 0 0 / 45%);
`

const Sheet = styled(Modal)<{ readonly $wide: boolean }>`
  width: min(${({ $wide }) => ($wide ? 1040 : 640)}px, 94vw);
  max-height: 84vh;
  overflow: auto;
  background: var(--sheet);
  border: 1px solid var(--ink);
  border-radius: 4px;
`

const Body = styled(AriaDialog)`
  padding: 20px;
  display: grid;
  gap: 14px;
  outline: none;

  & > button {
    justify-self: start;
  }
`

const Title = styled(Heading)`
  font-size: 16px;
  font-weight: 640;
  margin: 0;
`
