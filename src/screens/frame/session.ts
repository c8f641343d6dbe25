'use client'

import { openDatabase } from '../../store/database.ts'
import { Session } from '../../store/session.ts'
import { UnsavedPlan } from '../../store/UnsavedPlan.ts'
import { sealAsker } from '../../workers/askers.ts'
import { warmOverview } from '../../workers/firstMonth.ts'
import { readAddress } from '../workbench/address.ts'
import { viewOptions } from '../workbench/views.ts'
import { fetchDemoAhead, loadDemo } from '../workbench/demo.ts'
import { loadView } from './loadViews.ts'

let opened: Session | undefined

/** One session a page; React may mount its screens more than once. */
export function pageSession(): Session {
  if (!opened) {
    void fetchDemoAhead()
    // While the store is read, so that it is there when there is something to show.
    const { view } = readAddress(new URLSearchParams(window.location.search))
    if (viewOptions(view).scope === 'plan') warmOverview()
    loadView(view).catch(() => undefined)
    const checkStored = (): Promise<readonly string[]> => sealAsker().askOnce({}).answer
    opened = new Session(openDatabase(), loadDemo, new UnsavedPlan(), checkStored)
    void opened.open()
  }
  return opened
}

// Before the page is hydrated: what is stored is being read meanwhile.
if (typeof window !== 'undefined') pageSession()
