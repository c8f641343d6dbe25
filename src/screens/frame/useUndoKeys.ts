'use client'

import { useEffect } from 'react'
import type { Session } from '../../store/session.ts'

/** Control or Command with Z takes back, with Shift or with Y does again; a field that is being typed in keeps its own. */
export function useUndoKeys(session: Session): void {
  useEffect(() => {
    const onKey = (event: KeyboardEvent): void => {
      if (!(event.ctrlKey || event.metaKey) || event.altKey) return
      if (event.target instanceof HTMLInputElement && event.target.type === 'text') return
      const key = event.key.toLowerCase()
      if (key === 'z' && !event.shiftKey) session.undo()
      else if (key === 'y' || key === 'z') session.redo()
      else return
      event.preventDefault()
    }
    window.addEventListener('keydown', onKey)
    return () => window.removeEventListener('keydown', onKey)
  }, [session])
}
