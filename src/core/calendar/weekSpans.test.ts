import fc from 'fast-check'
import { describe, expect, test } from 'vitest'
import { instant, lengthOf, SECONDS_PER_DAY, type Span } from '../quantity/units.ts'
import { anyWeekIn, ODD_ZONES } from '../testing/anyWeeks.ts'
import { walkMinutes } from '../testing/walkMinutes.ts'
import { hours, inMonth, monthOf, utc } from '../testing/monthSpans.ts'
import { EVERY_DAY, weekOf, windowsOn, WORKDAYS } from '../testing/weeks.ts'
import { weekSpans } from './weekSpans.ts'
import { clockChanges, timeZones, zoneOffsets } from './zoneOffsets.ts'
import { randomRuns } from '../testing/randomRuns.ts'

/** The instant at which spans, used in time order, have together used up so many seconds. */
function usedUpAt(spans: readonly Span[], pool: number): number {
  const edges = [...new Set(spans.flatMap(({ from, to }) => [from, to]))].sort((a, b) => a - b)
  let left = pool
  for (const [i, from] of edges.slice(0, -1).entries()) {
    const to = edges[i + 1]!
    const running = spans.filter((span) => span.from <= from && span.to >= to).length
    if (running * (to - from) >= left) return from + left / running
    left -= running * (to - from)
  }
  return Infinity
}

describe('worked examples', () => {
  const office = windowsOn(WORKDAYS, '08:00-18:00')
  test.each([
    ['office days in Lisbon', weekOf('Europe/Lisbon', office), '2027-03', 230, 23],
    ['a holiday drops its day', weekOf('Europe/Lisbon', office, ['2027-03-19']), '2027-03', 220, 22],
    [
      'every night in Lisbon',
      weekOf('Europe/Lisbon', windowsOn(EVERY_DAY, '22:00-06:00')),
      '2027-03',
      248,
      32,
    ],
    [
      'weekend nights, clocks back half an hour',
      weekOf('Australia/Lord_Howe', windowsOn([5, 6], '20:00-04:00')),
      '2027-04',
      64.5,
      8,
    ],
    [
      'weekend nights, clocks forward half an hour',
      weekOf('Australia/Lord_Howe', windowsOn([5, 6], '20:00-04:00')),
      '2027-10',
      79.5,
      10,
    ],
    [
      'a skipped time is read with the offset before',
      weekOf('Europe/Lisbon', windowsOn([6], '01:15-01:45')),
      '2027-03',
      2,
      4,
    ],
    [
      'a time that happens twice means the first',
      weekOf('Europe/Lisbon', windowsOn([6], '01:30-03:00')),
      '2027-10',
      8.5,
      5,
    ],
    [
      'two windows a day in Kolkata',
      weekOf('Asia/Kolkata', windowsOn(WORKDAYS, '09:00-12:15', '13:30-17:30')),
      '2027-02',
      145,
      40,
    ],
  ])('%s', (_, week, month, expectedHours, runs) => {
    const spans = inMonth(week, monthOf(month))
    expect(hours(spans)).toBe(expectedHours)
    expect(spans).toHaveLength(runs)
  })

  test('the night in which clocks go forward lasts seven hours', () => {
    const spans = weekSpans(weekOf('Europe/Lisbon', windowsOn(EVERY_DAY, '22:00-06:00')), monthOf('2027-03'))
    const night = spans.find(({ from }) => utc(from) === '2027-03-27T22:00')
    expect(lengthOf(night!)).toBe(7 * 3600)
  })

  test('both clock changes in Lisbon, to the minute', () => {
    const spring = weekSpans(weekOf('Europe/Lisbon', windowsOn([6], '01:15-01:45')), monthOf('2027-03')).at(
      -1,
    )!
    expect([utc(spring.from), utc(spring.to)]).toEqual(['2027-03-28T01:15', '2027-03-28T01:45'])
    const autumn = weekSpans(weekOf('Europe/Lisbon', windowsOn([6], '01:30-03:00')), monthOf('2027-10')).at(
      -1,
    )!
    expect([utc(autumn.from), utc(autumn.to)]).toEqual(['2027-10-31T00:30', '2027-10-31T03:00'])
  })

  test('a pool of 600 h, shared with a machine that never stops, is used up on 19 March at 18:00', () => {
    const month = monthOf('2027-03')
    const always = inMonth(weekOf('Etc/UTC', windowsOn(EVERY_DAY, '00:00-00:00')), month)
    const scheduled = inMonth(weekOf('Europe/Lisbon', office), month)
    const both = [...always, ...scheduled]
    expect(hours(both)).toBe(974)
    expect(utc(usedUpAt(both, 600 * 3_600))).toBe('2027-03-19T18:00')
  })

  test('a billing month in Santiago is an hour longer when clocks go back', () => {
    expect(lengthOf(monthOf('2027-04', 'America/Santiago'))).toBe(721 * 3600)
  })
})

describe('clock changes', () => {
  test('a window inside the skipped hour becomes empty or moves, and never overlaps its neighbour', () => {
    const week = weekOf('Europe/Lisbon', windowsOn([6], '00:30-01:30', '01:45-02:30'))
    const last = weekSpans(week, monthOf('2027-03')).filter(({ from }) => utc(from) > '2027-03-28')
    expect(last.map(({ from, to }) => [utc(from), utc(to)])).toEqual([
      ['2027-03-28T00:30', '2027-03-28T01:30'],
    ])
  })

  test('a run of many weeks is known from its true start', () => {
    const week = weekOf('Etc/UTC', windowsOn(EVERY_DAY, '00:00-00:00'), ['2027-01-10'])
    const [span] = weekSpans(week, monthOf('2027-03'))
    expect(utc(span!.from)).toBe('2027-01-11T00:00')
  })

  test('a date that the zone skipped altogether is read with the offset before', () => {
    const week = weekOf('Pacific/Apia', windowsOn([4], '08:00-10:00'))
    const spans = weekSpans(week, monthOf('2011-12')).map(({ from }) => utc(from))
    expect(spans.at(-1)).toBe('2011-12-30T18:00')
  })
})

test('agrees with a minute-by-minute walk over random weeks, zones and months', () => {
  fc.assert(
    fc.property(
      fc.integer({ min: 2008, max: 2036 }).chain((year) => fc.tuple(anyWeekIn(year), fc.constant(year))),
      fc.integer({ min: 1, max: 12 }),
      fc.constantFrom(...ODD_ZONES),
      ([week, year], number, billingZone) => {
        const month = monthOf(`${year}-${String(number).padStart(2, '0')}`, billingZone)
        const walked = walkMinutes(week, month.from, month.to)
        const expanded = new Array<boolean>(walked.length).fill(false)
        for (const { from, to } of inMonth(week, month)) {
          expanded.fill(true, (from - month.from) / 60, (to - month.from) / 60)
        }
        expect(expanded).toEqual(walked)
      },
    ),
    randomRuns(20),
  )
})

test('spans are in order, apart and never empty', () => {
  fc.assert(
    fc.property(anyWeekIn(2027), fc.integer({ min: 1, max: 12 }), (week, number) => {
      const spans = weekSpans(week, monthOf(`2027-${String(number).padStart(2, '0')}`))
      spans.forEach((span, i) => {
        expect(span.to).toBeGreaterThan(span.from)
        if (i > 0) expect(span.from).toBeGreaterThan(spans[i - 1]!.to)
      })
    }),
    randomRuns(300),
  )
})

test('agrees with the minute-by-minute walk about every clock change of every zone, 2024 to 2036', () => {
  const from = instant(Date.UTC(2024, 0, 1) / 1000)
  const to = instant(Date.UTC(2037, 0, 1) / 1000)
  // Windows about midnight and through the small hours, where clocks change, touching and nearly touching.
  const windows = windowsOn(
    EVERY_DAY,
    '00:00-01:00',
    '01:00-01:30',
    '01:59-02:30',
    '02:45-03:15',
    '22:30-23:59',
  )
  const seen = new Set<string>()
  let compared = 0
  for (const timeZone of timeZones()) {
    const changes = clockChanges(zoneOffsets(timeZone), from, to)
    // Many zones change their clocks as another one does: the same walk.
    const alike = JSON.stringify(changes)
    if (changes.length === 0 || seen.has(alike)) continue
    seen.add(alike)
    const week = weekOf(timeZone, windows)
    for (const { at } of changes) {
      const minute = Math.floor(at / 60) * 60
      const around = { from: instant(minute - SECONDS_PER_DAY), to: instant(minute + SECONDS_PER_DAY) }
      const walked = walkMinutes(week, around.from, around.to)
      const expanded = new Array<boolean>(walked.length).fill(false)
      for (const span of inMonth(week, around)) {
        expanded.fill(true, (span.from - around.from) / 60, (span.to - around.from) / 60)
      }
      if (expanded.some((on, i) => on !== walked[i])) throw new Error(`${timeZone} about ${utc(at)}`)
      compared += 1
    }
  }
  expect(compared).toBeGreaterThan(500)
})
