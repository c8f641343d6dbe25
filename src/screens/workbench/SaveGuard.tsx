'use client'

import { useEffect, useSyncExternalStore } from 'react'
import { VisuallyHidden } from '../../interface/VisuallyHidden'
import type { Session } from '../../store/session.ts'

/** Says whether all is saved, and has the browser ask before a page with unsaved changes is left. */
export function SaveGuard({ session }: { readonly session: Session }) {
  const settled = useSyncExternalStore(session.subscribeSettled, session.settled, session.settled)
  useEffect(() => {
    const ask = (event: BeforeUnloadEvent): void => {
      if (!session.settled()) event.preventDefault()
    }
    window.addEventListener('beforeunload', ask)
    return () => window.removeEventListener('beforeunload', ask)
  }, [session])
  return <VisuallyHidden data-testid="saved">{settled ? 'All changes are saved' : 'Saving'}</VisuallyHidden>
}
