import { valueOf } from '../testing/valueOf.ts'
import { expect, test } from 'vitest'
import { billingMonth } from '../calendar/billingMonth.ts'
import type { YearMonth } from '../calendar/yearMonth.ts'
import type { Machine } from '../machine/plan.ts'
import { add, compare, ZERO } from '../quantity/exact.ts'
import { gib } from '../quantity/units.ts'
import { resolved } from '../testing/resolved.ts'
import { dailyCosts } from './dailyCosts.ts'
import { estimateMachine } from './estimateMachine.ts'

function daysOf(part: Partial<Machine>) {
  const month = billingMonth('2027-03' as YearMonth, 'Etc/UTC')
  const estimate = valueOf(estimateMachine({ resolved: resolved(part), month }))
  return { days: dailyCosts(estimate, 'Etc/UTC'), total: estimate.total }
}

test('a licence is machine time, and no part of what remains when off', () => {
  const part: Partial<Machine> = { size: 'middle', systemDisk: { kind: 'steps', roomGiB: gib(64) } }
  const [free, sealed] = [daysOf({ ...part, image: 'free' }), daysOf({ ...part, image: 'sealed' })]
  let dearer = 0
  for (const [i, { floor, machineTime, phases }] of sealed.days.entries()) {
    expect(compare(floor, free.days[i]!.floor)).toBe(0)
    expect(compare(floor, ZERO)).toBeGreaterThan(0)
    if (!phases.has('running')) expect(machineTime).toEqual(ZERO)
    if (compare(machineTime, free.days[i]!.machineTime) > 0) dearer += 1
  }
  // The workdays of March 2027.
  expect(dearer).toBe(23)
  const sum = sealed.days.reduce((all, { floor, machineTime }) => add(all, add(floor, machineTime)), ZERO)
  expect(compare(sum, sealed.total)).toBe(0)
})
