'use client'

import { parsePlan } from '../../files/planFile.ts'
import { parsePriceBook } from '../../files/priceBookFile.ts'
import { openDatabase } from '../../store/database.ts'
import { Session, type Demo } from '../../store/session.ts'

/** The demo passes the same gate as any file. */
export async function loadDemo(): Promise<Demo> {
  const [plan, book] = await Promise.all([
    import('../../../data/larkspur-trams.json').then((file) => parsePlan(file.default)),
    import('../../../data/fennmark.json').then((file) => parsePriceBook(file.default)),
  ])
  if (!plan.ok || !book.ok) throw new Error('The demo that ships with the project is not valid.')
  return { plan: plan.value, books: [book.value] }
}

let opened: Session | undefined

/** One session a page; React may mount its screens more than once. */
export function pageSession(): Session {
  if (!opened) {
    opened = new Session(openDatabase(), loadDemo)
    void opened.open()
  }
  return opened
}
