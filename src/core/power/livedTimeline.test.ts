import { describe, expect, test } from 'vitest'
import type { OffState } from '../off/powerState.ts'
import { instant, seconds } from '../quantity/units.ts'
import { livedTimeline } from './livedTimeline.ts'
import type { MonthTimeline } from './monthTimeline.ts'
import type { Segment } from './timeline.ts'

const segment = (phase: Segment['phase'], from: number, to: number): Segment => ({
  phase,
  from: instant(from),
  to: instant(to),
})

const span = (from: number, to: number) => ({ from: instant(from), to: instant(to) })

/** On from 0 to 10 and from 20 to 30, off between, without changes. */
const timeline = (): MonthTimeline => ({
  month: span(0, 30),
  on: [span(0, 10), span(20, 30)],
  segments: [segment('running', 0, 10), segment('stopped', 10, 20), segment('running', 20, 30)],
})

const gap = (off: OffState, leave = 0, back = 0) => ({
  ways: [
    { from: seconds(0), off, changes: { leave: seconds(leave), return: seconds(back) }, charged: [] },
  ] as const,
})

const life = (from: number, to: number, leave = 2, hasBeenOn = true) => ({
  from: instant(from),
  to: instant(to),
  leave: seconds(leave),
  hasBeenOnBefore: () => hasBeenOn,
})

const words = ({ segments }: MonthTimeline): string[] =>
  segments.map((each) => `${each.phase} ${each.from}-${each.to}`)

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
  expect(words(livedTimeline(timeline(), life(from, to, leave), gap('stopped')))).toEqual(parts)
}) // prettier-ignore

describe('its first day finds no change under way', () => {
  const whole: MonthTimeline = {
    month: span(0, 30),
    on: [span(0, 8), span(14, 20)],
    segments: [
      segment('running', 0, 8),
      segment('stopping', 8, 15),
      segment('starting', 15, 18),
      segment('running', 18, 20),
      segment('stopping', 20, 27),
      segment('deallocated', 27, 30),
    ],
  }
  test.each<[string, number, string[]]>([
    [
      'in a gap it is off',
      10,
      ['deallocated 10-14', 'starting 14-17', 'running 17-20', 'stopping 20-27', 'deallocated 27-30'],
    ],
    ['as a gap begins it is off', 20, ['deallocated 20-30']],
    ['in a window it is on', 16, ['running 16-20', 'stopping 20-27', 'deallocated 27-30']],
    [
      'as a window begins it is made',
      14,
      ['starting 14-17', 'running 17-20', 'stopping 20-27', 'deallocated 27-30'],
    ],
  ])('%s', (_, from, parts) => {
    expect(words(livedTimeline(whole, life(from, 40), gap('deallocated', 7, 3)))).toEqual(parts)
  })
})

test('one that is there all the time keeps its timeline', () => {
  const whole = timeline()
  expect(livedTimeline(whole, life(0, 30), gap('stopped'))).toBe(whole)
  expect(livedTimeline(whole, life(-5, 35), gap('stopped'))).toBe(whole)
})

test('what is never off has run since its first day, or as long as is looked back', () => {
  const whole: MonthTimeline = { month: span(0, 30), on: [], segments: [segment('running', -10, 40)] }
  expect(words(livedTimeline(whole, life(-200, 50), gap('running')))).toEqual(['running -200-40'])
  expect(words(livedTimeline(whole, life(-Infinity, 50), gap('running')))[0]).toBe(
    `running ${-402 * 86_400}-40`,
  )
})

test('when it is made for the first time is said where it is deleted until then and has not been on before', () => {
  const whole = (): MonthTimeline => ({
    ...timeline(),
    segments: [segment('deleted', 0, 20), segment('running', 20, 30)],
  })
  expect(livedTimeline(whole(), life(-50, 40, 2, false), gap('deleted')).firstStart).toBe(20)
  expect(livedTimeline(whole(), life(-50, 40), gap('deleted'))).not.toHaveProperty('firstStart')
  expect(livedTimeline(timeline(), life(15, 40), gap('deleted')).firstStart).toBe(20)
  expect(livedTimeline(timeline(), life(5, 40), gap('deleted'))).not.toHaveProperty('firstStart')
})

test('the same life is cut once', () => {
  const whole = timeline()
  const cut = livedTimeline(whole, life(5, 25), gap('stopped'))
  expect(livedTimeline(whole, life(5, 25), gap('stopped'))).toBe(cut)
  expect(livedTimeline(whole, life(5, 25, 3), gap('stopped'))).not.toBe(cut)
})
