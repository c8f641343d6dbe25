import { expect, test } from 'vitest'
import type { Notch, Plate } from '../../core/notches/plate.ts'
import { fulfils, LEGEND_STEPS, stepsFor } from './legendSteps.ts'

const notch = (part: Partial<Notch> = {}): Notch => ({
  key: 'k',
  choice: { decision: 'size', size: 'k' },
  isPresent: false,
  total: { n: 1n, d: 1n },
  difference: { n: -1n, d: 1n },
  reasons: [],
  ...part,
})
const shut = notch({ reasons: [{ code: 'nothing-to-restore' }] })
const look = (...notches: Notch[]) => ({ did: 'look', at: { notches } }) as const

test('a step is over once what it says is done, and by nothing else', () => {
  const deeds = [look(notch()), look(notch(), notch()), look(shut), { did: 'take' }, { did: 'undo' }] as const
  const done = LEGEND_STEPS.map((step) => deeds.map((deed) => fulfils(step, deed)))
  expect(done).toEqual([
    [true, true, true, false, false],
    [false, true, false, false, false],
    [false, false, true, false, false],
    [false, false, false, true, false],
    [false, false, false, false, true],
  ])
})

test('what cannot be done on these plates is not asked for', () => {
  const plate = (...notches: Notch[]): Plate => ({
    id: 'size',
    decision: 'size',
    notches,
    present: 0,
    fold: undefined,
  })
  const now = notch({ isPresent: true })
  expect(stepsFor([plate(now, notch(), shut)])).toEqual([...LEGEND_STEPS])
  expect(stepsFor([plate(now, shut)])).toEqual(['slot', 'number', 'band'])
  expect(stepsFor([plate(now, notch())])).toEqual(['slot', 'number', 'line', 'axis'])
})
