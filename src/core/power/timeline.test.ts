import { expect, test } from 'vitest'
import { instant, type Span } from '../quantity/units.ts'
import { clipSegments, secondsByPhase, type Segment } from './timeline.ts'

const span = (from: number, to: number): Span => ({ from: instant(from), to: instant(to) })
const SEGMENTS: readonly Segment[] = [
  { phase: 'running', ...span(0, 10) },
  { phase: 'stopping', ...span(10, 12) },
  { phase: 'stopped', ...span(12, 20) },
  { phase: 'running', ...span(20, 30) },
]
const clipped = (from: number, to: number): string[] =>
  clipSegments(SEGMENTS, span(from, to)).map((each) => `${each.phase} ${each.from}-${each.to}`)

test.each<[number, number, string[]]>([
  [0, 30, ['running 0-10', 'stopping 10-12', 'stopped 12-20', 'running 20-30']],
  [10, 20, ['stopping 10-12', 'stopped 12-20']],
  [9, 21, ['running 9-10', 'stopping 10-12', 'stopped 12-20', 'running 20-21']],
  [13, 15, ['stopped 13-15']],
  [12, 15, ['stopped 12-15']],
  [15, 20, ['stopped 15-20']],
  [30, 40, []],
])('what lies between %i and %i', (from, to, parts) => {
  expect(clipped(from, to)).toEqual(parts)
})

test('what lies inside stays the same object', () => {
  expect(clipSegments(SEGMENTS, span(9, 20))[1]).toBe(SEGMENTS[1])
})

test('seconds of a phase add up over all of its times, and phases that are not met are not named', () => {
  expect([...secondsByPhase(SEGMENTS, span(5, 25))]).toEqual([
    ['running', 10],
    ['stopping', 2],
    ['stopped', 8],
  ])
  expect([...secondsByPhase(SEGMENTS, span(10, 12))]).toEqual([['stopping', 2]])
})
