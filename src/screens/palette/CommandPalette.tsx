'use client'

import { useEffect, useState } from 'react'
import { Dialog, Modal, ModalOverlay } from 'react-aria-components'
import styled from 'styled-components'
import { lazyPart } from '../../interface/lazyPart'

const PaletteCommands = lazyPart(() => import('./PaletteCommands'), 'PaletteCommands')

/** Fetches what stands in it, so that it is there when it is asked for. */
export const loadPalette = PaletteCommands.load

/** Every action by its name: opened with Control or Command and K. What is typed before its field is there stands in it. */
export function CommandPalette() {
  const [isOpen, setOpen] = useState(false)
  const [typed, setTyped] = useState('')
  useEffect(() => {
    if (!isOpen) return
    const onEarlyKey = ({ key, ctrlKey, metaKey, altKey, target }: KeyboardEvent): void => {
      if (ctrlKey || metaKey || altKey || target instanceof HTMLInputElement) return
      if (key.length === 1) setTyped((text) => text + key)
      if (key === 'Backspace') setTyped((text) => text.slice(0, -1))
    }
    window.addEventListener('keydown', onEarlyKey)
    return () => {
      window.removeEventListener('keydown', onEarlyKey)
      setTyped('')
    }
  }, [isOpen])
  useEffect(() => {
    const onKey = (event: KeyboardEvent): void => {
      if (!(event.ctrlKey || event.metaKey) || event.shiftKey || event.altKey) return
      if (event.key.toLowerCase() !== 'k') return
      event.preventDefault()
      setOpen((before) => !before)
    }
    const onAsk = (): void => setOpen(true)
    window.addEventListener('keydown', onKey)
    window.addEventListener(OPEN_PALETTE, onAsk)
    return () => {
      window.removeEventListener('keydown', onKey)
      window.removeEventListener(OPEN_PALETTE, onAsk)
    }
  }, [])
  return (
    <Overlay isOpen={isOpen} onOpenChange={setOpen} isDismissable>
      <Sheet>
        <Body aria-label="All actions">
          {isOpen && <PaletteCommands typed={typed} onDone={() => setOpen(false)} />}
        </Body>
      </Sheet>
    </Overlay>
  )
}

const OPEN_PALETTE = 'notchgauge-open-palette'

/** Opens the palette from anywhere on the page. */
export const openPalette = (): void => void window.dispatchEvent(new Event(OPEN_PALETTE))

const Overlay = styled(ModalOverlay)`
  position: fixed;
  inset: 0;
  z-index: 30;
  display: grid;
  justify-items: center;
  align-items: start;
  padding-top: 12vh;
  background: rgb(0 0 0 / 35%);
`

const Sheet = styled(Modal)`
  width: min(560px, 94vw);
  background: var(--sheet);
  border: 1px solid var(--ink);
`

const Body = styled(Dialog)`
  outline: none;
`
