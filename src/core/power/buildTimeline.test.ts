import fc from 'fast-check'
import { describe, expect, test } from 'vitest'
import { instant, lengthOf, seconds, type Span } from '../quantity/units.ts'
import { buildTimeline } from './buildTimeline.ts'
import { POWER_STATES, type OffState } from '../off/powerState.ts'
import { secondsByPhase, type ShutdownOff, type WayOff } from './timeline.ts'
import { randomRuns } from '../testing/randomRuns.ts'

const span = (from: number, to: number): Span => ({ from: instant(from), to: instant(to) })
const within = span(0, 1_000)
const wayOff = (off: OffState, leave: number, back: number, from = 0): WayOff => ({
  from: seconds(from),
  off,
  changes: { leave: seconds(leave), return: seconds(back) },
  charged: off === 'running' ? ['compute', 'licence'] : [],
})

const phases = (on: Span[], off: OffState, leave: number, back: number) =>
  buildTimeline({ on, ways: [wayOff(off, leave, back)], within }).map(
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
      'a window that closes at the very moment at which it has gone off is missed',
      [span(100, 200), span(210, 230)],
      'hibernated',
      30,
      20,
      ['hibernated 0-100', 'waking 100-120', 'running 120-200', 'hibernating 200-230', 'hibernated 230-1000'],
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
      'a window that opens while it still comes back waits until it has been off',
      [span(100, 110), span(130, 180)],
      'deallocated',
      5,
      40,
      [
        'deallocated 0-100',
        'starting 100-140',
        'stopping 140-145',
        'starting 145-185',
        'stopping 185-190',
        'deallocated 190-1000',
      ],
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

describe('gaps that are long enough have a state of their own', () => {
  const on = [span(300, 400), span(420, 500), span(600, 700)]
  const by = (...ways: [WayOff, ...WayOff[]]): string[] =>
    buildTimeline({ on, ways, within }).map(({ phase, from, to }) => `${phase} ${from}-${to}`)

  test('by its planned length, the ends as gaps without end', () => {
    expect(by(wayOff('stopped', 1, 2), wayOff('hibernated', 5, 6, 100), wayOff('deleted', 7, 8, 300))).toEqual([
      'deleted 0-300', 'creating 300-308', 'running 308-400', 'stopping 400-401', 'stopped 401-420',
      'starting 420-422', 'running 422-500', 'hibernating 500-505', 'hibernated 505-600', 'waking 600-606',
      'running 606-700', 'deleting 700-707', 'deleted 707-1000',
    ]) // prettier-ignore
  })

  test('short ones can be run through', () => {
    expect(by(wayOff('running', 0, 0), wayOff('deallocated', 5, 6, 100))).toEqual([
      'deallocated 0-300', 'starting 300-306', 'running 306-500', 'stopping 500-505', 'deallocated 505-600',
      'starting 600-606', 'running 606-700', 'stopping 700-705', 'deallocated 705-1000',
    ]) // prettier-ignore
  })

  test('long ones can be run through, too', () => {
    expect(by(wayOff('deallocated', 5, 6), wayOff('running', 0, 0, 21))).toEqual([
      'running 0-400', 'stopping 400-405', 'deallocated 405-420', 'starting 420-426', 'running 426-1000',
    ]) // prettier-ignore
  })
})

describe('an auto-shutdown with a state of its own', () => {
  const shutdown = (...runs: number[]): ShutdownOff => ({
    ...wayOff('hibernated', 4, 9),
    ends: (run) => runs.includes(run),
  })
  const on = [span(100, 200), span(300, 400)]
  const by = (ways: [WayOff, ...WayOff[]], ...runs: number[]): string[] =>
    buildTimeline({ on, ways, shutdown: shutdown(...runs), within }).map(
      ({ phase, from, to }) => `${phase} ${from}-${to}`,
    )

  test('gives it to the gaps that it begins, however long, and to no other', () => {
    const ways: [WayOff, ...WayOff[]] = [wayOff('stopped', 1, 2), wayOff('deleted', 7, 8, 300)]
    expect(by(ways, 200)).toEqual([
      'deleted 0-100', 'creating 100-108', 'running 108-200', 'hibernating 200-204', 'hibernated 204-300',
      'waking 300-309', 'running 309-400', 'deleting 400-407', 'deleted 407-1000',
    ]) // prettier-ignore
    expect(by(ways, 400).slice(-2)).toEqual(['hibernating 400-404', 'hibernated 404-1000'])
  })

  test('leaves on what is left on in such a gap', () => {
    expect(by([wayOff('running', 0, 0), wayOff('stopped', 1, 2, 300)], 200, 400)).toEqual([
      'stopped 0-100', 'starting 100-102', 'running 102-400', 'hibernating 400-404', 'hibernated 404-1000',
    ]) // prettier-ignore
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
  const anyState = fc.constantFrom(...POWER_STATES)
  const time = fc.integer({ min: 0, max: 90 })
  fc.assert(
    fc.property(anySpans, anyState, anyState, time, time, (on, off, longOff, leave, back) => {
      const segments = buildTimeline({
        on,
        ways: [wayOff(off, leave, back), wayOff(longOff, back, leave, 100)],
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
    randomRuns(400),
  )
})
