import { useSyncExternalStore } from 'react'
import { Listeners } from '../../store/Listeners.ts'
import { billsOf, type BillOfPlan } from '../../store/KeptBills.ts'
import type { Session } from '../../store/session.ts'
import { storageProblem } from '../../store/storageProblem.ts'

interface Forgotten {
  readonly plan: string
  readonly bill: BillOfPlan
}

let last: Forgotten | undefined
const listeners = new Listeners()

/** The bill that was deleted last, for as long as the page is open, so that it can be put back. */
export const useForgottenBill = (): Forgotten | undefined =>
  useSyncExternalStore(
    listeners.add,
    () => last,
    () => undefined,
  )

export async function forgetBill(
  session: Session,
  plan: string | undefined,
  bill: BillOfPlan,
): Promise<void> {
  if (plan === undefined) return
  try {
    await billsOf(session).forget(plan, bill)
    last = { plan, bill }
    listeners.tell()
  } catch (error) {
    session.say(storageProblem(error))
  }
}

export async function putBack(session: Session, { plan, bill }: Forgotten): Promise<void> {
  try {
    await billsOf(session).keep(plan, [bill])
    last = undefined
    listeners.tell()
  } catch (error) {
    session.say(storageProblem(error))
  }
}
