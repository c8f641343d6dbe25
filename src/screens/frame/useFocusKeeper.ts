'use client'

import { useEffect } from 'react'
import { focusMain } from './focusMain.ts'

const FOCUSABLE =
  'a[href], button:not([disabled]), input:not([disabled]), select:not([disabled]), textarea:not([disabled]), [tabindex="0"]'

/** What had the focus, and what it stood in, from the inside out. */
interface Held {
  readonly element: Element
  readonly around: readonly Element[]
}

/**
 * Keeps the focus where the eyes are: when what has it goes away or is switched off, as the last undo or a removed row,
 * it goes to what is nearest in what it stood in, and never to the page's body, from where a keyboard starts over.
 */
export function useFocusKeeper(): void {
  useEffect(() => {
    let held: Held | undefined
    let waiting = 0
    const hold = ({ target }: FocusEvent): void => {
      if (target instanceof Element && target !== document.body)
        held = { element: target, around: ancestorsOf(target) }
    }
    const check = (): void => {
      waiting = 0
      const { activeElement } = document
      if (!held || (activeElement && activeElement !== document.body && !isSwitchedOff(activeElement))) return
      // What is still there was left on purpose, by a press beside it.
      if (held.element.isConnected && !isSwitchedOff(held.element)) return
      const next = nearest(held)
      if (next) next.focus()
      else focusMain()
    }
    const later = (): void => {
      if (waiting === 0) waiting = window.setTimeout(check, 30)
    }
    const observer = new MutationObserver(later)
    observer.observe(document.body, { childList: true, subtree: true, attributeFilter: ['disabled'] })
    document.addEventListener('focusin', hold)
    document.addEventListener('focusout', later)
    return () => {
      observer.disconnect()
      document.removeEventListener('focusin', hold)
      document.removeEventListener('focusout', later)
      window.clearTimeout(waiting)
    }
  }, [])
}

const isSwitchedOff = (element: Element): boolean => element instanceof HTMLButtonElement && element.disabled

function ancestorsOf(element: Element): Element[] {
  const around: Element[] = []
  for (let at = element.parentElement; at && at !== document.body; at = at.parentElement) around.push(at)
  return around
}

/** Where text is written the keys mean something else, undo above all. */
const takesText = (element: Element): boolean =>
  element.matches('input:not([type="checkbox"], [type="radio"]), textarea')

/**
 * The first that takes the focus in what the lost one stood in, unless that is as wide as the page. A press leads to no
 * text field.
 */
function nearest({ element, around }: Held): HTMLElement | undefined {
  for (const place of around) {
    if (!place.isConnected) continue
    if (place.querySelector('main')) return undefined
    const found = [...place.querySelectorAll<HTMLElement>(FOCUSABLE)].find(
      (each) => each !== element && each.offsetParent !== null && (takesText(element) || !takesText(each)),
    )
    if (found) return found
  }
  return undefined
}
