'use client'

import { useEffect, useSyncExternalStore } from 'react'
import styled from 'styled-components'
import { VisuallyHidden } from '../../interface/VisuallyHidden'
import type { Session } from '../../store/session.ts'
import { useWorkbench } from '../workbench/WorkbenchContext'

/**
 * Says whether all is saved, keeps what is not where the page may end, and has the browser ask before a page with unsaved
 * changes is left.
 */
export function SaveGuard({ session }: { readonly session: Session }) {
  const settled = useSyncExternalStore(session.subscribeSettled, session.settled, session.settled)
  const { state } = useWorkbench()
  useEffect(() => {
    const ask = (event: BeforeUnloadEvent): void => {
      if (!session.settled()) event.preventDefault()
    }
    window.addEventListener('beforeunload', ask)
    // Hidden is the last that a page on a phone hears of itself.
    window.addEventListener('pagehide', session.keepUnsaved)
    document.addEventListener('visibilitychange', session.keepUnsaved)
    return () => {
      window.removeEventListener('beforeunload', ask)
      window.removeEventListener('pagehide', session.keepUnsaved)
      document.removeEventListener('visibilitychange', session.keepUnsaved)
    }
  }, [session])
  const isLost = state.saveProblem !== undefined
  return (
    <Saving data-lost={isLost || undefined}>
      <span aria-hidden>{isLost ? 'not kept' : settled ? 'saved' : 'saving'}</span>
      <VisuallyHidden data-testid="saved">{settled ? 'All changes are saved' : 'Saving'}</VisuallyHidden>
    </Saving>
  )
}

/** As wide as its longest word, so that nothing moves beside it. */
const Saving = styled.span`
  min-width: 50px;
  font-size: 12px;
  color: var(--ink-2);

  &[data-lost] {
    color: var(--leak);
  }
`
