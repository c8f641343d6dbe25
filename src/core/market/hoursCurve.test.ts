import { describe, expect, test } from 'vitest'
import { exact, compare, toNumber } from '../quantity/exact.ts'
import { machineTotal } from '../meter/machineTotal.ts'
import { plateInputs } from '../testing/plateInputs.ts'
import { RULE_BOOK } from '../testing/ruleBook.ts'
import { cheaperFrom, hoursCurve } from './hoursCurve.ts'

const inputsOf = (part: Parameters<typeof plateInputs>[0]) => {
  const { resolved, month, shared } = plateInputs(part, [RULE_BOOK])
  return { resolved, month, shared, exchange: { kind: 'same' } as const }
}

describe('what hours change', () => {
  test('from not at all to always, each point a whole month', () => {
    const inputs = inputsOf({ off: 'deallocated' })
    const curve = hoursCurve(inputs)
    expect(curve).toHaveLength(25)
    expect([curve[0]!.hours, curve[10]!.hours, curve[24]!.hours]).toEqual([0, 310, 744])
    for (const [at, { total }] of curve.entries())
      if (at > 0) expect(compare(total, curve[at - 1]!.total)).toBeGreaterThan(0)
    // On all the time, every day is one run: what never being off costs.
    const running = inputsOf({ off: 'running' })
    expect(toNumber(curve[24]!.total)).toBeCloseTo(
      toNumber(machineTotal(running.resolved, running.month, running.shared)!),
      9,
    )
  })

  test('a flat plan is cheaper from some hours on', () => {
    const byHour = [0, 100, 200, 300].map((hours) => ({ hours, total: exact(10 + hours / 10) }))
    const flat = [0, 100, 200, 300].map((hours) => ({ hours, total: exact(25) }))
    expect(cheaperFrom(byHour, flat)).toBe(150)
    expect(cheaperFrom(flat, byHour)).toBeUndefined()
    expect(cheaperFrom(flat, flat)).toBeUndefined()
  })
})
