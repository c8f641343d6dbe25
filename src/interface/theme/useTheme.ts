'use client'

import { useSyncExternalStore } from 'react'

export const THEMES = ['system', 'light', 'dark'] as const
export type Theme = (typeof THEMES)[number]

const KEY = 'notchgauge-theme'
const listeners = new Set<() => void>()
let chosen: Theme = 'system'

// Before anything is drawn in the browser, so that the page never flashes in the other theme.
if (typeof window !== 'undefined') {
  chosen = stored()
  apply(chosen)
}

function stored(): Theme {
  try {
    const value = localStorage.getItem(KEY)
    return THEMES.find((theme) => theme === value) ?? 'system'
  } catch {
    return 'system'
  }
}

function apply(theme: Theme): void {
  if (theme === 'system') delete document.documentElement.dataset.theme
  else document.documentElement.dataset.theme = theme
}

function choose(theme: Theme): void {
  chosen = theme
  apply(theme)
  for (const listener of listeners) listener()
  try {
    localStorage.setItem(KEY, theme)
  } catch {
    // The choice then holds until the page is left, which is all that the browser allows.
  }
}

const subscribe = (listener: () => void): (() => void) => {
  listeners.add(listener)
  return () => listeners.delete(listener)
}

/** The theme that the person chose, else the system's. Kept in this browser where it allows it. */
export const useTheme = (): readonly [Theme, (theme: Theme) => void] => [
  useSyncExternalStore(
    subscribe,
    () => chosen,
    () => 'system',
  ),
  choose,
]
