import { ownValue } from '../core/ownValue.ts'
import type { Machine } from '../core/machine/plan.ts'
import type { PlanFile } from '../files/plan/planDocument.ts'
import type { MachineRow, NotchgaugeDatabase, StoredPlan } from './database.ts'

// The machines of a plan lie in rows of their own, so that an edit of one does not write, and a look at the revision does
// not read, thousands of them.

/** Some 60 kB. */
export const MACHINES_A_ROW = 100

/** What is put into the store is copied by the page, and it draws in between. */
const ROWS_AT_ONCE = 10

/** The open plan as it lies in the store, and its file with all of its machines. */
export interface WholePlan {
  readonly row: StoredPlan
  readonly file: unknown
}

/** What a transaction goes over in which the open plan is read or written. */
export const planTables = (db: NotchgaugeDatabase) => [db.plan, db.planMachines]

/**
 * Within a transaction over {@link planTables}. Believes nothing of what it finds: where machines are missing, or too many,
 * a null stands at their end, which no schema passes. O(machines).
 */
export async function readWholePlan(db: NotchgaugeDatabase): Promise<WholePlan | undefined> {
  const row = await db.plan.get('current')
  if (!row) return undefined
  if (!liesInRows(row)) return { row, file: row.file }
  const rows = await db.planMachines.orderBy('at').toArray()
  const machines = rows.flatMap((each: { readonly machines?: unknown }): readonly unknown[] =>
    Array.isArray(each.machines) ? each.machines : [null],
  )
  const found = machines.length === row.machineCount ? machines : [...machines, null]
  return { row, file: wholeFile(row.file as object, found) }
}

interface WrittenPlan {
  readonly head: Omit<StoredPlan, 'id' | 'file' | 'machineCount'>
  readonly file: PlanFile
  /** The machines that lie there in rows: what is the very same is not written again. */
  readonly was?: readonly Machine[] | undefined
}

/** Within a transaction over {@link planTables} that writes. O(machines) to compare, O(rows that changed) to write. */
export async function writeWholePlan(
  db: NotchgaugeDatabase,
  { head, file: { machines, ...file }, was }: WrittenPlan,
): Promise<WholePlan> {
  const row: StoredPlan = { ...head, id: 'current', file, machineCount: machines.length }
  const rows = inRows(machines)
  const before = was && inRows(was)
  const isChanged = (each: MachineRow): boolean => {
    const there = before?.[each.at]?.machines
    return there?.length !== each.machines.length || each.machines.some((machine, i) => machine !== there[i])
  }
  const changed = rows.filter(isChanged)
  for (let from = 0; from < changed.length; from += ROWS_AT_ONCE) {
    await db.planMachines.bulkPut(changed.slice(from, from + ROWS_AT_ONCE))
  }
  if (!before || before.length > rows.length)
    await db.planMachines.where('at').aboveOrEqual(rows.length).delete()
  await db.plan.put(row)
  return { row, file: wholeFile(file, machines) }
}

/** Whether the machines lie in rows, and not in the plan's own, as they once did. */
export const liesInRows = ({ file, machineCount }: StoredPlan): boolean =>
  machineCount !== undefined &&
  Object.prototype.toString.call(file) === '[object Object]' &&
  ownValue(file as Record<string, unknown>, 'machines') === undefined

const inRows = (machines: readonly Machine[]): MachineRow[] =>
  Array.from({ length: Math.ceil(machines.length / MACHINES_A_ROW) }, (_, at) => ({
    at,
    machines: machines.slice(at * MACHINES_A_ROW, (at + 1) * MACHINES_A_ROW),
  }))

/** Its fields always in one order: a seal is made of them. */
const wholeFile = (file: object, machines: readonly unknown[]): object => ({ ...file, machines })
