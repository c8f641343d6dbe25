import { expect, test } from 'vitest'
import { instant, seconds } from '../quantity/units.ts'
import { livedTimeline } from './livedTimeline.ts'
import type { MonthTimeline } from './monthTimeline.ts'
import type { Segment } from './timeline.ts'

const segment = (phase: Segment['phase'], from: number, to: number): Segment => ({
  phase,
  from: instant(from),
  to: instant(to),
})

/** On from 0 to 10 and from 20 to 30, off between. */
const timeline = (): MonthTimeline => ({
  month: { from: instant(0), to: instant(30) },
  on: [],
  segments: [segment('running', 0, 10), segment('stopped', 10, 20), segment('running', 20, 30)],
})

const lived = (from: number, to: number, leave = 2) =>
  livedTimeline(timeline(), { from: instant(from), to: instant(to), leave: seconds(leave) })
const text = (from: number, to: number, leave?: number): string[] =>
  lived(from, to, leave).segments.map((each) => `${each.phase} ${each.from}-${each.to}`)

test.each<[string, number, number, number, string[]]>([
  ['born while on', 5, 40, 2, ['running 5-10', 'stopped 10-20', 'running 20-30']],
  ['born as it comes on', 20, 40, 2, ['running 20-30']],
  ['gone while on: deleting takes its time', 0, 25, 2, [
    'running 0-10', 'stopped 10-20', 'running 20-25', 'deleting 25-27', 'deleted 27-30',
  ]],
  ['gone while off: at once', 0, 15, 2, ['running 0-10', 'stopped 10-15', 'deleted 15-30']],
  ['gone as it goes off', 0, 10, 2, ['running 0-10', 'deleting 10-12', 'deleted 12-30']],
  ['gone where deleting takes no time', 0, 25, 0, [
    'running 0-10', 'stopped 10-20', 'running 20-25', 'deleted 25-30',
  ]],
  ['gone so late that deleting goes on', 0, 29, 2, [
    'running 0-10', 'stopped 10-20', 'running 20-29', 'deleting 29-30',
  ]],
  ['gone with the end', 5, 30, 2, ['running 5-10', 'stopped 10-20', 'running 20-30']],
  ['born and gone', 5, 15, 2, ['running 5-10', 'stopped 10-15', 'deleted 15-30']],
  ['gone before', -20, -5, 2, ['deleted 0-30']],
])('%s', (_, from, to, leave, parts) => {
  expect(text(from, to, leave)).toEqual(parts)
}) // prettier-ignore

test('born while its week would still be going off, it is off from the beginning', () => {
  const whole: MonthTimeline = {
    ...timeline(),
    segments: [segment('running', 0, 8), segment('stopping', 8, 12), segment('deallocated', 12, 30)],
  }
  const { segments } = livedTimeline(whole, { from: instant(10), to: instant(40), leave: seconds(2) })
  expect(segments).toEqual([segment('deallocated', 10, 30)])
})

test('one that is there all the time keeps its timeline', () => {
  const whole = timeline()
  expect(livedTimeline(whole, { from: instant(0), to: instant(30), leave: seconds(2) })).toBe(whole)
  expect(livedTimeline(whole, { from: instant(-5), to: instant(35), leave: seconds(2) })).toBe(whole)
})

test('when it was born is said only where it was not there before', () => {
  expect(lived(5, 40).born).toBe(5)
  expect(lived(0, 25)).not.toHaveProperty('born')
})

test('the same life is cut once', () => {
  const whole = timeline()
  const life = { from: instant(5), to: instant(25), leave: seconds(2) }
  const cut = livedTimeline(whole, life)
  expect(livedTimeline(whole, { ...life })).toBe(cut)
  expect(livedTimeline(whole, { ...life, leave: seconds(3) })).not.toBe(cut)
})
