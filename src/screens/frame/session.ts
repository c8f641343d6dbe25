'use client'

import { parsePlan } from '../../files/plan/planFile.ts'
import { parsePriceBook } from '../../files/priceBook/priceBookFile.ts'
import { openDatabase } from '../../store/database.ts'
import { warmOverview } from '../../workers/firstMonth.ts'
import type { Demo } from '../../store/openStored.ts'
import { Session } from '../../store/session.ts'
import { readAddress } from '../workbench/address.ts'
import { VIEW_SCREENS } from './viewScreens.ts'

/** The demo passes the same gate as any file. */
export async function loadDemo(): Promise<Demo> {
  const [file, ...bookFiles] = await Promise.all([
    import('../../../data/larkspur-trams.json'),
    import('../../../data/fennmark.json'),
    import('../../../data/tidewright.json'),
    import('../../../data/plinthouse.json'),
    import('../../../data/quarry-row-2026-10.json'),
    import('../../../data/quarry-row-2027-07.json'),
  ])
  const plan = parsePlan(file.default)
  const books = bookFiles.map((book) => parsePriceBook(book.default))
  if (!plan.ok || books.some(({ ok }) => !ok))
    throw new Error('The demo that ships with the project is not valid.')
  return { plan: plan.value, books: books.flatMap((book) => (book.ok ? [book.value] : [])) }
}

let opened: Session | undefined

/** One session a page; React may mount its screens more than once. */
export function pageSession(): Session {
  if (!opened) {
    warmOverview()
    // While the store is read, so that it is there when there is something to show.
    const { view } = readAddress(new URLSearchParams(window.location.search))
    VIEW_SCREENS[view].load().catch(() => undefined)
    opened = new Session(openDatabase(), loadDemo)
    void opened.open()
  }
  return opened
}
