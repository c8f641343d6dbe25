import 'fake-indexeddb/auto'
import { readFileSync } from 'node:fs'
import { expect, vi } from 'vitest'
import { readPlan } from '../../files/plan/planFile.ts'
import { readPriceBook } from '../../files/priceBook/priceBookFile.ts'
import { takeChoice } from '../commands.ts'
import { openDatabase, type NotchgaugeDatabase } from '../database.ts'
import type { Demo } from '../openStored.ts'
import { Session } from '../session.ts'
import type { SessionState } from '../sessionState.ts'
import { CEILING } from '../../core/testing/ceiling.ts'

export const NAME = 'timetable-loadgen'

export function demo(): Demo {
  const plan = readPlan(readFileSync('data/larkspur-trams.json', 'utf8'))
  const book = readPriceBook(readFileSync('data/fennmark.json', 'utf8'))
  if (!plan.ok || !book.ok) throw new Error('the demo is not valid')
  return { plan: plan.value, books: [book.value] }
}

const opened: { session: Session; db: NotchgaugeDatabase }[] = []
let count = 0

export async function openSession(
  name = `test-${(count += 1)}`,
): Promise<{ session: Session; db: NotchgaugeDatabase; name: string }> {
  const db = openDatabase(name)
  const session = new Session(db, () => Promise.resolve(demo()))
  await session.open()
  opened.push({ session, db })
  return { session, db, name }
}

/** Closes all that were opened; for after each test. */
export function closeSessions(): void {
  for (const { session, db } of opened.splice(0)) {
    session.close()
    db.close()
  }
}

export const until = (session: Session, holds: (state: SessionState) => boolean): Promise<void> =>
  vi.waitFor(() => expect(holds(session.snapshot())).toBe(true), CEILING)

export const saved = (session: Session): Promise<void> =>
  vi.waitFor(() => expect(session.settled()).toBe(true), CEILING)

export const sizeOf = (session: Session): string | undefined =>
  session.snapshot().plan.machines.find(({ name }) => name === NAME)?.size

export const takeKite = takeChoice(NAME, { decision: 'size', size: 'kite-4-16' })
