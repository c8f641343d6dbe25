'use client'

import { useSyncExternalStore } from 'react'
import { rememberedHere, rememberHere } from '../rememberedHere.ts'

export const THEMES = ['system', 'light', 'dark'] as const
export type Theme = (typeof THEMES)[number]

const KEY = 'theme'
const listeners = new Set<() => void>()
let chosen: Theme = 'system'

// Before anything is drawn in the browser, so that the page never flashes in the other theme.
if (typeof window !== 'undefined') {
  chosen = stored()
  apply(chosen)
}

function stored(): Theme {
  const value = rememberedHere(KEY)
  return THEMES.find((theme) => theme === value) ?? 'system'
}

function apply(theme: Theme): void {
  if (theme === 'system') delete document.documentElement.dataset.theme
  else document.documentElement.dataset.theme = theme
}

function choose(theme: Theme): void {
  chosen = theme
  apply(theme)
  for (const listener of listeners) listener()
  rememberHere(KEY, theme)
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
