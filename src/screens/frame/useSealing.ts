'use client'

import { useEffect } from 'react'
import type { Session } from '../../store/session.ts'
import { sealAsker } from '../../workers/askers.ts'

/** Long enough that nobody is in the middle of something. */
const AFTER_MS = 2_000

/** Has what is stored checked and sealed once nothing has been saved for a while. */
export function useSealing(session: Session): void {
  useEffect(() => {
    let timer = 0
    let cancel: (() => void) | undefined
    const later = (): void => {
      window.clearTimeout(timer)
      if (!session.settled()) return
      timer = window.setTimeout(() => {
        cancel?.()
        const asked = sealAsker().askOnce({})
        cancel = asked.cancel
        // A browser that cannot is one that checks everything at each opening.
        asked.answer.catch(() => undefined)
      }, AFTER_MS)
    }
    later()
    const unsubscribe = session.subscribeSettled(later)
    return () => {
      unsubscribe()
      window.clearTimeout(timer)
      cancel?.()
    }
  }, [session])
}
