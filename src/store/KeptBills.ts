import { liveQuery, type Subscription } from 'dexie'
import { parseYearMonth, type YearMonth } from '../core/calendar/yearMonth.ts'
import type { BillHead } from '../files/bill/keptBill.ts'
import { keptFor } from '../core/keptFor.ts'
import type { NotchgaugeDatabase, StoredBill } from './database.ts'
import type { Session } from './session.ts'

/** A bill that is kept with a plan. */
export interface BillOfPlan {
  readonly month: YearMonth
  readonly name: string
  readonly kind: StoredBill['kind']
  /** Milliseconds since 1970. */
  readonly keptAt: number
  readonly bytes: Uint8Array<ArrayBuffer>
  readonly head: BillHead
}

/** Ten years of months, billed or rehearsed; the oldest go. */
const MOST_KEPT = 120

/** The bills of the plans of this browser, and what was rehearsed: one of each a month. Its methods throw where the browser does not store. */
class KeptBills {
  constructor(private readonly db: NotchgaugeDatabase) {}

  /** Tells all bills of a plan now, the newest first, and whenever they change, in whatever tab. */
  follow(
    plan: string,
    tell: (bills: readonly BillOfPlan[]) => void,
    fail: (error: unknown) => void,
  ): Subscription {
    return liveQuery(() => this.db.monthBills.where('plan').equals(plan).toArray()).subscribe({
      next: (rows) =>
        tell(
          rows
            .flatMap(billOf)
            .sort((a, b) => (a.month === b.month ? b.keptAt - a.keptAt : a.month < b.month ? 1 : -1)),
        ),
      error: fail,
    })
  }

  /** What was kept of the same month and kind gives way. */
  async keep(plan: string, bills: readonly BillOfPlan[]): Promise<void> {
    await this.db.transaction('rw', this.db.monthBills, async () => {
      await this.db.monthBills.bulkPut(bills.map((bill) => ({ plan, ...bill })))
      const keys = await this.db.monthBills.where('plan').equals(plan).primaryKeys()
      const tooMany = keys.length - MOST_KEPT
      // By plan, then by month.
      if (tooMany > 0) await this.db.monthBills.bulkDelete(keys.sort().slice(0, tooMany))
    })
  }

  /** Tells which resources were said to be of which machine, now and whenever that changes. */
  followTies(
    plan: string,
    tell: (ties: ReadonlyMap<string, string | null>) => void,
    fail: (error: unknown) => void,
  ): Subscription {
    return liveQuery(() => this.db.ties.where('plan').equals(plan).toArray()).subscribe({
      next: (rows) =>
        tell(
          new Map(
            rows.flatMap(({ resource, machine }) =>
              typeof resource === 'string' && (typeof machine === 'string' || machine === null)
                ? [[resource, machine] as const]
                : [],
            ),
          ),
        ),
      error: fail,
    })
  }

  /** It is remembered for all bills of the plan; undefined leaves it to be found by its name again. */
  async tie(plan: string, resource: string, machine: string | null | undefined): Promise<void> {
    if (machine === undefined) await this.db.ties.delete([plan, resource])
    else await this.db.ties.put({ plan, resource, machine })
  }

  async forget(plan: string, { month, kind }: Pick<BillOfPlan, 'month' | 'kind'>): Promise<void> {
    await this.db.monthBills.delete([plan, month, kind])
  }
}

/** What is stored is read again as any bill is; what is none any more is not shown. */
function billOf({ month: text, name, kind, keptAt, bytes, head }: StoredBill): BillOfPlan[] {
  const month = parseYearMonth(text)
  if (!month || typeof name !== 'string' || !(bytes instanceof Uint8Array) || !isHead(head)) return []
  return [
    {
      month,
      name,
      kind: kind === 'rehearsed' ? kind : 'billed',
      keptAt: Number.isFinite(keptAt) ? keptAt : 0,
      bytes,
      head,
    },
  ]
}

const LISTS = ['files', 'leftOut', 'troubles'] as const

function isHead(head: unknown): head is BillHead {
  if (typeof head !== 'object' || head === null) return false
  const fields = new Map(Object.entries(head))
  return (
    typeof fields.get('rows') === 'number' &&
    typeof fields.get('used') === 'number' &&
    LISTS.every((field) => Array.isArray(fields.get(field))) &&
    (fields.get('happened') === undefined || Array.isArray(fields.get('happened')))
  )
}

/** Comes with the view that asks for it. */
export const billsOf = keptFor((session: Session) => new KeptBills(session.db))
