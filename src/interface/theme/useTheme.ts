'use client'

import { useCallback, useEffect, useState } from 'react'

export const THEMES = ['system', 'light', 'dark'] as const
export type Theme = (typeof THEMES)[number]

const KEY = 'notchgauge-theme'

function stored(): Theme {
  try {
    const value = localStorage.getItem(KEY)
    return THEMES.find((theme) => theme === value) ?? 'system'
  } catch {
    return 'system'
  }
}

/** The theme that the person chose, else the system's. Kept in this browser where it allows it. */
export function useTheme(): readonly [Theme, (theme: Theme) => void] {
  const [theme, setTheme] = useState<Theme>('system')

  useEffect(() => {
    const kept = stored()
    apply(kept)
    setTheme(kept)
  }, [])

  const choose = useCallback((next: Theme) => {
    apply(next)
    setTheme(next)
    try {
      localStorage.setItem(KEY, next)
    } catch {
      // The choice then holds until the page is left, which is all that the browser allows.
    }
  }, [])

  return [theme, choose]
}

function apply(theme: Theme): void {
  if (theme === 'system') delete document.documentElement.dataset.theme
  else document.documentElement.dataset.theme = theme
}
