import type { ReadBills } from '../../files/bill/keptBill.ts'
import type { Session } from '../../store/session.ts'
import { billsOf, type BillOfPlan } from '../../store/KeptBills.ts'
import { storageProblem } from '../../store/storageProblem.ts'

/** Keeps what was read with the open plan. A plan that was never laid aside gets a name to be known by. */
export async function keepBills(
  session: Session,
  { months, head }: ReadBills,
  name: string,
  kind: BillOfPlan['kind'],
): Promise<void> {
  const { plan } = session.snapshot()
  const id = plan.id ?? crypto.randomUUID()
  if (plan.id === undefined) session.edit('keep a bill with the plan', (draft) => void (draft.id = id))
  const keptAt = Date.now()
  try {
    await billsOf(session).keep(
      id,
      months.map(({ month, bytes }) => ({ month, bytes, name, kind, keptAt, head })),
    )
  } catch (error) {
    session.say(storageProblem(error))
  }
}
