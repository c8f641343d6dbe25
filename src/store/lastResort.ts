import { ownValue } from '../core/ownValue.ts'
import { applyPatches } from 'immer'
import Dexie, { type IndexableType } from 'dexie'
import { checkedPlan, planToFile, type PlanFile } from '../files/plan/planDocument.ts'
import { plainNames } from '../files/reading/plainNames.ts'
import type { NotchgaugeDatabase } from './database.ts'
import { planTables, readWholePlan, writeWholePlan } from './storedPlan.ts'
import { spreadPatches, type CompactPatch } from './compactPatches.ts'

/**
 * What can be done where the stored plan, a stored price book or anything else keeps the page from working. Nothing here
 * believes that what is stored has any form; each answers false, or less, where it cannot.
 */

/** Not to be waited for within a transaction, which ends when nothing of the store is awaited. */
const checks = () => import('./checkStored.ts')

/** A stored book or plan, as far as it can be named. */
export interface Stranded {
  readonly key: IndexableType
  readonly name: string
}

const textOf = (value: unknown, otherwise: string): string =>
  typeof value === 'string' && value !== '' ? value.slice(0, 120) : otherwise

const rowsOf = async (
  db: NotchgaugeDatabase,
  table: string,
): Promise<{ key: IndexableType; row: unknown }[]> => {
  const found: { key: IndexableType; row: unknown }[] = []
  await db.table<unknown, IndexableType>(table).each((row, { primaryKey }) => {
    found.push({ key: primaryKey, row })
  })
  return found
}

const fieldOf = (row: unknown, field: string): unknown =>
  typeof row === 'object' && row !== null ? ownValue(row as Record<string, unknown>, field) : undefined

export const storedBooks = async (db: NotchgaugeDatabase): Promise<Stranded[]> =>
  (await rowsOf(db, 'editions')).map(({ key, row }) => ({
    key,
    name: `${textOf(fieldOf(row, 'provider'), 'no provider')}, edition ${textOf(fieldOf(row, 'edition'), 'without a name')}`,
  }))

export const shelvedPlans = async (db: NotchgaugeDatabase): Promise<Stranded[]> =>
  (await rowsOf(db, 'shelf')).map(({ key, row }) => ({
    key,
    name: textOf(fieldOf(row, 'name'), 'a plan without a name'),
  }))

/** Every record of every table as JSON, in a zip, and the open plan; what JSON cannot say is written as text. */
export async function rawRecords(db: NotchgaugeDatabase): Promise<Uint8Array<ArrayBuffer>> {
  const { strToU8, zipSync } = await import('fflate')
  const files: Record<string, Uint8Array> = {}
  for (const { name: table } of db.tables) {
    const rows = await rowsOf(db, table)
    const names = plainNames(rows.map(({ key }) => ({ name: `${table} ${String(key)}` })))
    rows.forEach(({ row }, i) => {
      files[`${table}/${names[i]!}.json`] = strToU8(rawText(row))
      const bytes = fieldOf(row, 'bytes')
      if (bytes instanceof Uint8Array) files[`${table}/${names[i]!}.csv.gz`] = bytes
    })
  }
  // In one piece too, as a plan's file is.
  const whole = await db.transaction('r', planTables(db), () => readWholePlan(db))
  if (whole) files['plan.json'] = strToU8(rawText(whole.file))
  return zipSync(files)
}

function rawText(row: unknown): string {
  const seen = new Set<object>()
  const said = (_: string, value: unknown): unknown => {
    if (typeof value === 'bigint' || value === undefined) return String(value)
    if (typeof value === 'number' && !Number.isFinite(value)) return String(value)
    if (typeof value !== 'object' || value === null) return value
    if (value instanceof Uint8Array) return '(in a file of its own)'
    if (seen.has(value)) return '(the same again)'
    seen.add(value)
    return value instanceof Map || value instanceof Set ? [...value] : value
  }
  return JSON.stringify(row, said, 2) ?? 'undefined'
}

export const takeOutBook = (db: NotchgaugeDatabase, { key }: Stranded): Promise<void> =>
  db.table('editions').delete(key)

/** Puts a plan of the shelf in the place of the open one, which is laid there as it lies. */
export async function openShelved(db: NotchgaugeDatabase, { key }: Stranded): Promise<boolean> {
  const { parseStoredPlan } = await checks()
  return db.transaction('rw', [...planTables(db), db.edits, db.shelf], async () => {
    const file = fieldOf(await db.table<unknown>('shelf').get(key), 'file')
    const plan = parseStoredPlan(file)
    if (!plan.ok) return false
    const before = await readWholePlan(db)
    await layAside(db, before?.file)
    await putFresh(db, before?.row, planToFile({ ...plan.value, id: String(key) }))
    await db.shelf.delete(String(key))
    return true
  })
}

/** Takes back the newest step of the stored plan; the plan must be whole after it, not before. */
export async function takeBackLast(db: NotchgaugeDatabase): Promise<boolean> {
  const { parseStoredPlan } = await checks()
  const isPlan = (file: object): boolean => parseStoredPlan(file).ok
  return db.transaction('rw', [...planTables(db), db.edits], async () => {
    const before = await readWholePlan(db)
    const cursor = before?.row.cursor as unknown
    const edit = typeof cursor === 'number' ? ((await db.edits.get(cursor)) as unknown) : undefined
    const file = withoutStep(before?.file, fieldOf(edit, 'inverse'), isPlan)
    if (!before || !file) return false
    const head = { ...before.row, revision: nextRevision(before.row), cursor: Number(cursor) - 1 }
    await writeWholePlan(db, { head, file })
    return true
  })
}

function withoutStep(
  file: unknown,
  inverse: unknown,
  isPlan: (file: object) => boolean,
): PlanFile | undefined {
  try {
    const plan = planToFile(applyPatches(checkedPlan(file), spreadPatches(inverse as CompactPatch[])))
    return isPlan(plan) ? plan : undefined
  } catch {
    return undefined
  }
}

/** Lays the stored plan aside as it lies, so that the next opening begins with the demo. */
export const layOpenAside = (db: NotchgaugeDatabase): Promise<void> =>
  db.transaction('rw', [...planTables(db), db.edits, db.shelf], async () => {
    await layAside(db, (await readWholePlan(db))?.file)
    await db.plan.clear()
    await db.planMachines.clear()
    await db.edits.clear()
  })

/** For a database that cannot even be opened, or read: all of it goes. */
export const deleteEverything = (db: NotchgaugeDatabase): Promise<void> => {
  db.close()
  return Dexie.delete(db.name)
}

async function layAside(db: NotchgaugeDatabase, file: unknown): Promise<void> {
  if (file === undefined) return
  const machines = fieldOf(file, 'machines')
  const own = textOf(fieldOf(file, 'id'), crypto.randomUUID())
  // What lies there under its id may be the last state of it that was whole.
  const id = (await db.shelf.get(own)) === undefined ? own : crypto.randomUUID()
  await db.shelf.put({
    id,
    name: textOf(fieldOf(file, 'name'), 'A plan without a name'),
    machines: Array.isArray(machines) ? machines.length : 0,
    archived: false,
    file,
  })
}

const nextRevision = (before: unknown): number => {
  const revision = fieldOf(before, 'revision')
  return (typeof revision === 'number' && Number.isSafeInteger(revision) ? revision : 0) + 1
}

async function putFresh(db: NotchgaugeDatabase, before: unknown, file: PlanFile): Promise<void> {
  await db.edits.clear()
  const booksRevision = Number(fieldOf(before, 'booksRevision') ?? 0) || 0
  const head = { revision: nextRevision(before), cursor: 0, booksRevision, welcome: false }
  await writeWholePlan(db, { head, file })
}
