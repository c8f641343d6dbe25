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
  // The work behind what somebody has let go.
  expect(
    lossesText([
      { kind: 'room', position: 1, from: gib(512), to: gib(128) },
      { kind: 'room', position: 2, from: gib(64), to: gib(0) },
      { kind: 'data' },
      { kind: 'architecture', to: 'arm64' },
      { kind: 'interrupted', how: 'often' },
    ]),
  ).toBe(
    'copy data disk 1 (512 GiB) to a new one of 128 GiB; data disk 2 gone, with what is on its 64 GiB; ' +
      'loses what is on its data disks when off; software built for arm64; may be taken away at any time: often',
  )
  const moves = { kind: 'moves', from: 'Porto', to: 'Nagpur' } as const
  expect(lossesText([{ ...moves, leaves: 'EU', copiesGiB: gib(1_088) }])).toBe(
    'moves from Porto to Nagpur, out of EU, with 1,088 GiB of disks to copy',
  )
  expect(lossesText([{ ...moves, copiesGiB: gib(0) }])).toBe('moves from Porto to Nagpur')
  expect(lossesText([])).toBe('nothing is lost')
})
