import { describe, expect, test } from 'vitest'
import { billingMonth } from '../calendar/billingMonth.ts'
import type { YearMonth } from '../calendar/yearMonth.ts'
import { type Choice, applyChoice } from '../decisions/choice.ts'
import { resolveMachine } from '../machine/resolveMachine.ts'
import { estimateMachine } from '../meter/estimateMachine.ts'
import { add, compare } from '../quantity/exact.ts'
import { OFFICE_WEEK, resolved } from '../testing/resolved.ts'
import { windowsOn } from '../testing/weeks.ts'
import { platesOf } from './plates.ts'
import { nextNotch, type Plate } from './plate.ts'

const MARCH = billingMonth('2027-03' as YearMonth, 'Etc/UTC')
const SHORT_WEEK = { ...OFFICE_WEEK, id: 'short', windows: windowsOn([0], '08:00-12:00') }
const weeks = [OFFICE_WEEK, SHORT_WEEK]
const machine = resolved({ off: 'hibernated', address: 'fixed' })
const plan = { weeks }
const plates = platesOf({ resolved: machine, plan, month: MARCH })
const withWeek = (choice: Choice) =>
  choice.decision === 'week' && !weeks.includes(choice.week) ? { weeks: [...weeks, choice.week] } : plan
const plate = (decision: Plate['decision']): Plate =>
  plates.find((candidate) => candidate.decision === decision)!

describe('plates of a machine', () => {
  test('every priced choice costs what the machine with that choice costs', () => {
    let priced = 0
    for (const { notches } of plates) {
      for (const { choice, total, difference, carried } of notches) {
        if (carried) continue
        const changed = resolveMachine(applyChoice(machine.machine, choice), withWeek(choice), machine.index)
        const estimate = changed.ok ? estimateMachine({ resolved: changed.value, month: MARCH }) : undefined
        if (!estimate?.ok) expect(total).toBeUndefined()
        else {
          priced += 1
          expect(compare(total!, estimate.value.total)).toBe(0)
          const present = plates[0]!.notches[plates[0]!.present]!.total!
          expect(compare(add(present, difference!), total!)).toBe(0)
        }
      }
    }
    expect(priced).toBeGreaterThan(15)
  })

  test('choices stand from the cheapest to the dearest, unpriced ones last, the present one among them', () => {
    for (const { notches, present } of plates) {
      expect(notches[present]?.isPresent).toBe(true)
      notches.slice(1).forEach((notch, i) => {
        const before = notches[i]!
        if (notch.total) expect(compare(before.total!, notch.total)).toBeLessThanOrEqual(0)
      })
    }
    expect(plate('place').notches.at(-1)).toMatchObject({ key: 'mill-west-a', total: undefined })
  })

  test('the next notch passes over closed choices', () => {
    // Cheaper than middle: rare (another zone), arm (another architecture), then small.
    expect(plate('size').notches.map(({ key }) => key)).toEqual(['small', 'arm', 'rare', 'middle', 'huge'])
    expect(nextNotch(plate('size'), -1)?.key).toBe('small')
    expect(nextNotch(plate('size'), 1)).toBeUndefined()
    expect(nextNotch(plate('off'), -1)?.key).toBe('deallocated')
    expect(nextNotch(plate('week'), -1)?.key).toBe('week-hour-less')
  })
})
