import type { Plan } from '../core/machine/plan.ts'
import { replacePlan } from './commands.ts'
import type { Session } from './session.ts'
import { storageProblem } from './storageProblem.ts'

/** Another plan in place of the open one. One that lies on the shelf is laid there as it is now, not as it was. */
export function replaceOpenPlan(session: Session, label: string, plan: Plan): void {
  const { plan: open } = session.snapshot()
  const { id } = open
  if (id !== undefined) {
    session.shelf.put({ ...open, id }).catch((error: unknown) => session.say(storageProblem(error)))
  }
  session.edit(label, replacePlan(plan))
  noDemo(session)
}

/** Lays the open plan aside and opens another; says so, and leaves all as it is, where the storage has no room. */
export async function openPlan(session: Session, plan: Plan): Promise<void> {
  const { id = crypto.randomUUID(), ...open } = session.snapshot().plan
  try {
    await session.shelf.put({ ...open, id })
  } catch (error) {
    session.say(storageProblem(error), true)
    return
  }
  session.edit(`open ${plan.name}`, replacePlan({ ...plan, id: plan.id ?? crypto.randomUUID() }))
  noDemo(session)
}

/** What explains the demo says nothing of another plan. */
function noDemo(session: Session): void {
  if (session.snapshot().welcome) session.dismissWelcome()
}
