import fc from 'fast-check'
import { describe, expect, test } from 'vitest'
import { instant, lengthOf, seconds, type Span } from '../quantity/units.ts'
import { buildTimeline } from './buildTimeline.ts'
import { POWER_STATES, type OffState } from './powerState.ts'
import { secondsByPhase } from './timeline.ts'

const span = (from: number, to: number): Span => ({ from: instant(from), to: instant(to) })
const within = span(0, 1_000)

const phases = (on: Span[], off: OffState, leave: number, back: number) =>
  buildTimeline({ on, off, changes: { leave: seconds(leave), return: seconds(back) }, within }).map(
    ({ phase, from, to }) => `${phase} ${from}-${to}`,
  )

describe('phases of a machine', () => {
  test.each<[string, Span[], OffState, number, number, string[]]>([
    ['never off', [span(100, 200)], 'running', 10, 10, ['running 0-1000']],
    ['no windows', [], 'stopped', 10, 10, ['stopped 0-1000']],
    [
      'comes back when a window opens, goes off when it closes',
      [span(100, 200)],
      'deallocated',
      30,
      20,
      [
        'deallocated 0-100',
        'starting 100-120',
        'running 120-200',
        'stopping 200-230',
        'deallocated 230-1000',
      ],
    ],
    [
      'a gap too short to go off in is not off at all',
      [span(100, 200), span(210, 300)],
      'hibernated',
      30,
      20,
      [
        'hibernated 0-100', 'waking 100-120', 'running 120-200', 'hibernating 200-230', 'waking 230-250',
        'running 250-300', 'hibernating 300-330', 'hibernated 330-1000',
      ], // prettier-ignore
    ],
    [
      'a window shorter than coming back is finished first',
      [span(100, 110)],
      'stopped',
      5,
      40,
      ['stopped 0-100', 'starting 100-140', 'stopping 140-145', 'stopped 145-1000'],
    ],
    [
      'a window that opens and closes while going off is missed',
      [span(100, 200), span(205, 210)],
      'stopped',
      60,
      1,
      ['stopped 0-100', 'starting 100-101', 'running 101-200', 'stopping 200-260', 'stopped 260-1000'],
    ],
  ])('%s', (_, on, off, leave, back, expected) => {
    expect(phases(on, off, leave, back)).toEqual(expected)
  })
})

test('covers its span without gap or overlap, and phases sum to its length', () => {
  const anySpans = fc
    .array(fc.tuple(fc.integer({ min: 1, max: 200 }), fc.integer({ min: 1, max: 200 })), { maxLength: 12 })
    .map((steps) => {
      let at = 0
      return steps.map(([gap, length]) => {
        const from = at + gap
        at = from + length
        return span(from, at)
      })
    })
  const time = fc.integer({ min: 0, max: 90 })
  fc.assert(
    fc.property(anySpans, fc.constantFrom(...POWER_STATES), time, time, (on, off, leave, back) => {
      const segments = buildTimeline({
        on,
        off,
        changes: { leave: seconds(leave), return: seconds(back) },
        within,
      })
      let at = 0
      for (const segment of segments) {
        expect(segment.from).toBe(at)
        expect(segment.to).toBeGreaterThan(segment.from)
        at = segment.to
      }
      expect(at).toBe(within.to)
      const total = [...secondsByPhase(segments, within).values()].reduce<number>(
        (sum, value) => sum + value,
        0,
      )
      expect(total).toBe(lengthOf(within))
    }),
    { seed: 8, numRuns: 400 },
  )
})
