import { expect, test } from 'vitest'
import { gib, seconds } from '../core/quantity/units.ts'
import { lossesText } from './loss'

test('says what is given up, and what takes its place', () => {
  expect(
    lossesText([
      { kind: 'memory', from: gib(1024), to: gib(8) },
      { kind: 'when-off', what: 'memory' },
      { kind: 'return', from: seconds(25), to: seconds(75) },
      { kind: 'address', from: 'fixed', to: 'none' },
    ]),
  ).toBe(
    '8 GiB of memory in place of 1,024; loses its memory when off; back in 1 min 15 s in place of 25 s; ' +
      'no public address in place of a fixed address',
  )
  expect(lossesText([{ kind: 'return', from: seconds(0), to: seconds(60) }])).toBe('back in 1 min')
  expect(lossesText([])).toBe('nothing is lost')
})
