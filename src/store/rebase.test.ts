import { expect, test } from 'vitest'
import type { YearMonth } from '../core/calendar/yearMonth.ts'
import type { Plan } from '../core/machine/plan.ts'
import { OFFICE_WEEK } from '../core/testing/resolved.ts'
import { SMALL_MACHINE } from '../core/testing/smallBook.ts'
import { makeChange, type Change } from './change.ts'
import { removeMachines, renamePlan, setMachine } from './commands.ts'
import { rebase } from './rebase.ts'

const PLAN: Plan = {
  name: 'p',
  month: '2027-03' as YearMonth,
  weeks: [OFFICE_WEEK],
  machines: [SMALL_MACHINE, { ...SMALL_MACHINE, name: 'bench-two' }],
}
const NONE = { edits: [], cursor: 0 }
const rename: Change = { kind: 'edit', label: 'call it mine', recipe: renamePlan('mine') }
const resize: Change = { kind: 'edit', label: 'huge', recipe: setMachine('bench-one', { size: 'huge' }) }

/** The ground after another tab made a change, and what is said of ours on top of it. */
function after(theirs: Change, ours: Change) {
  const made = makeChange(PLAN, NONE, theirs)!
  return rebase(made, [ours], made.history.edits, PLAN)
}

test('changes of different places are both kept, in silence', () => {
  const { plan, said, pending } = after(rename, resize)
  expect([plan.name, plan.machines[0]!.size, said, pending.length]).toEqual(['mine', 'huge', [], 1])
})

test('of two changes of one place the later stands, and it is said', () => {
  const { plan, said } = after({ kind: 'edit', label: 'theirs', recipe: renamePlan('yours') }, rename)
  expect(plan.name).toBe('mine')
  expect(said).toEqual([{ code: 'changed-twice', theirs: 'theirs', ours: 'call it mine' }])
})

test('a change of what is gone is said to change nothing any more', () => {
  const { plan, said } = after(
    { kind: 'edit', label: 'away', recipe: removeMachines(new Set(['bench-one'])) },
    resize,
  )
  expect(plan.machines.map(({ name }) => name)).toEqual(['bench-two'])
  expect(said).toEqual([{ code: 'nothing-left', label: 'huge' }])
})

test('changes of another plan than the one that is open now are given up, and named', () => {
  const other = { ...PLAN, id: 'other', name: 'Spare' }
  const { plan, said, pending } = rebase({ plan: other, history: NONE }, [resize], [], PLAN)
  expect([plan, pending]).toEqual([other, []])
  expect(said).toEqual([{ code: 'other-plan-opened', name: 'Spare', gone: ['huge'] }])
})
