import Dexie, { type EntityTable, type Table } from 'dexie'
import type { Machine } from '../core/machine/plan.ts'
import type { CompactPatch } from './compactPatches.ts'

/**
 * The plan as the store holds it: the file's own form, so that one schema guards both edges, but its machines, which lie
 * in rows of their own.
 */
export interface StoredPlan {
  readonly id: 'current'
  /** Grows with every change, so that tabs know which one is newer. */
  readonly revision: number
  readonly file: unknown
  /** How many machines its rows hold; absent where they stand in its file. */
  readonly machineCount?: number
  /** The newest edit that is applied; later ones are undone. 0 when all are. */
  readonly cursor: number
  /** Grows with every price book that is stored, so that tabs know when to read them anew. */
  readonly booksRevision: number
  /** True until the person has seen the line that explains the demo plan. */
  readonly welcome: boolean
}

/** Some of the plan's machines, in its order. */
export interface MachineRow {
  readonly at: number
  readonly machines: readonly Machine[]
}

/** One edition of a provider's price book; several stand side by side. */
export interface StoredBook {
  readonly provider: string
  readonly edition: string
  /** A record, or its JSON as one text where it is large. */
  readonly file: unknown
}

/** An edit with its inverse: undo survives a reload. */
export interface StoredEdit {
  readonly seq: number
  readonly label: string
  readonly forward: readonly CompactPatch[]
  readonly inverse: readonly CompactPatch[]
}

/** A plan that is not open. */
export interface ShelvedPlan {
  readonly id: string
  readonly name: string
  readonly machines: number
  readonly archived: boolean
  readonly file: unknown
}

/** What a stored row was when it was last held against its schema. */
export interface StoredSeal {
  readonly of: string
  readonly seal: string
  /** Of the content as JSON, roughly: what is large is not looked at on the page. */
  readonly size?: number
}

/** How a provider’s bills are read that do not follow FOCUS. */
export interface StoredBillRecipe {
  readonly provider: string
  /** As in its file. */
  readonly text: string
}

/** How a provider’s lists become its book. */
export interface StoredRecipe {
  readonly provider: string
  /** Grows with each that is kept. */
  readonly keptAt: number
  /** As in its file. */
  readonly text: string
}

/** A price list on its way to becoming a book. */
export interface StoredList {
  readonly id: 'open'
  readonly name: string
  readonly provider: string
  readonly manner: string
  /** What was answered so far, as in a recipe's file. */
  readonly recipe?: string
  readonly files?: readonly { readonly name: string; readonly file: Blob }[]
  readonly tables?: readonly { readonly name: string; readonly rows: readonly (readonly string[])[] }[]
}

/** A month of a plan's bill, reduced to its days. */
export interface StoredBill {
  readonly plan: string
  readonly month: string
  /** A rehearsal never takes the place of a bill. */
  readonly kind: 'billed' | 'rehearsed'
  /** What it was read from. */
  readonly name: string
  /** Milliseconds since 1970. */
  readonly keptAt: number
  /** A FOCUS table, gzipped. */
  readonly bytes: Uint8Array<ArrayBuffer>
  /** What was said when it was read. */
  readonly head: unknown
}

/** Which machine of a plan a resource of its bills belongs to. */
export interface StoredTie {
  readonly plan: string
  /** Id or name of the resource. */
  readonly resource: string
  /** Name of the machine; null for none. */
  readonly machine: string | null
}

export class NotchgaugeDatabase extends Dexie {
  plan!: EntityTable<StoredPlan, 'id'>
  planMachines!: EntityTable<MachineRow, 'at'>
  editions!: Table<StoredBook, [string, string]>
  edits!: EntityTable<StoredEdit, 'seq'>
  shelf!: Table<ShelvedPlan, string>
  seals!: Table<StoredSeal, string>
  recipes!: Table<StoredRecipe, string>
  lists!: Table<StoredList, string>
  monthBills!: Table<StoredBill, [string, string, string]>
  ties!: Table<StoredTie, [string, string]>
  billRecipes!: Table<StoredBillRecipe, string>
}

/** One version of the tables; `upgrade` changes rows of the version before. Steps are only ever added. */
export interface SchemaStep {
  readonly version: number
  readonly stores: Readonly<Record<string, string | null>>
  readonly upgrade?: (transaction: import('dexie').Transaction) => Promise<void>
}

export const SCHEMA_STEPS: readonly SchemaStep[] = [
  { version: 1, stores: { plan: 'id', books: 'provider', edits: 'seq' } },
  {
    version: 2,
    stores: { editions: '[provider+edition]' },
    upgrade: async (transaction) => {
      const books = await transaction
        .table<{ provider: string; file: { edition?: unknown } }>('books')
        .toArray()
      for (const { provider, file } of books) {
        await transaction.table('editions').put({ provider, edition: String(file.edition ?? ''), file })
      }
    },
  },
  { version: 3, stores: { books: null } },
  {
    version: 4,
    stores: {},
    // Dates off became exceptions: an edit that names the former cannot be taken back any more, nor what came before it.
    upgrade: async (transaction) => {
      const edits = await transaction.table<StoredEdit>('edits').toArray()
      if (!JSON.stringify(edits).includes('"datesOff"')) return
      await transaction.table('edits').clear()
      await transaction.table<StoredPlan>('plan').toCollection().modify({ cursor: 0 })
    },
  },
  { version: 5, stores: { shelf: 'id' } },
  { version: 6, stores: { seals: 'of' } },
  // Labels are read without what the steps change.
  { version: 7, stores: { edits: 'seq, [seq+label]' } },
  { version: 8, stores: { recipes: 'provider, keptAt' } },
  { version: 9, stores: { lists: 'id' } },
  { version: 10, stores: { bills: '[plan+month], plan' } },
  { version: 11, stores: { ties: '[plan+resource], plan' } },
  {
    version: 12,
    stores: { monthBills: '[plan+month+kind], plan' },
    upgrade: async (transaction) => {
      const bills = await transaction
        .table<Omit<StoredBill, 'kind' | 'keptAt'> & { isRehearsed?: boolean }>('bills')
        .toArray()
      for (const { isRehearsed, ...bill } of bills) {
        const kind = isRehearsed ? 'rehearsed' : 'billed'
        await transaction.table('monthBills').put({ ...bill, kind, keptAt: 0 })
      }
    },
  },
  { version: 13, stores: { bills: null } },
  { version: 14, stores: { billRecipes: 'provider' } },
  // A plan that lies whole is laid in rows with its next edit.
  { version: 15, stores: { planMachines: 'at' } },
]

export const DATABASE_NAME = 'notchgauge'

export function openDatabase(
  name = DATABASE_NAME,
  steps: readonly SchemaStep[] = SCHEMA_STEPS,
): NotchgaugeDatabase {
  const database = new NotchgaugeDatabase(name)
  for (const { version, stores, upgrade } of steps) {
    const declared = database.version(version).stores({ ...stores })
    if (upgrade) declared.upgrade(upgrade)
  }
  return database
}
