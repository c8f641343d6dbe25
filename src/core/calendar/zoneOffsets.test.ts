import fc from 'fast-check'
import { describe, expect, test } from 'vitest'
import { instant, seconds } from '../quantity/units.ts'
import {
  READER_RELEASE,
  readerChanges,
  readerInstant,
  readerOffset,
  readerZones,
} from '../testing/zoneReader.ts'
import { dayOf } from './civil.ts'
import { ZONE_RELEASE, ZONE_YEARS } from './zoneData.ts'
import {
  clockChanges,
  isTimeZone,
  localToInstant,
  offsetAt,
  steadyStretch,
  timeZones,
  zoneOffsets,
} from './zoneOffsets.ts'
import { randomRuns } from '../testing/randomRuns.ts'

const KNOWN_TO_BOTH = new Set(readerZones())
/** But the one that stands for a zone that was never set. */
const ZONES = timeZones().filter((name) => KNOWN_TO_BOTH.has(name))
const utc = (text: string): number => Date.parse(`${text}Z`) / 1000

describe('wall-clock times as instants', () => {
  test('agree with another reader of the same release in every zone, at random and around each clock change', () => {
    const times = fc.array(fc.integer({ min: utc('2024-01-01T00:00'), max: utc('2036-12-31T00:00') }), {
      minLength: 2,
      maxLength: 2,
    })
    fc.assert(
      fc.property(
        fc.constantFrom(...ZONES),
        times,
        fc.integer({ min: -7_200, max: 7_200 }),
        (name, locals, near) => {
          const zone = zoneOffsets(name)
          const changes = clockChanges(
            zone,
            instant(utc('2024-01-01T00:00')),
            instant(utc('2036-12-31T00:00')),
          )
          const around = changes
            .slice(0, 3)
            .flatMap(({ at, before, after }) => [at + before + near, at + after + near])
          for (const local of [...locals, ...around]) {
            expect([name, local, localToInstant(zone, local)]).toEqual([
              name,
              local,
              readerInstant(name, local),
            ])
          }
        },
      ),
      randomRuns(250),
    )
  })

  test.each([
    ['Europe/Lisbon', '2027-03-28T01:30', '2027-03-28T01:30', 'never shows: offset before the gap'],
    ['Europe/Lisbon', '2027-10-31T01:30', '2027-10-31T00:30', 'shows twice: the first'],
    ['Australia/Lord_Howe', '2027-10-03T02:15', '2027-10-02T15:45', 'a gap of half an hour'],
    ['Pacific/Apia', '2011-12-30T12:00', '2011-12-30T22:00', 'a day that never was'],
    ['America/Havana', '2027-11-07T00:30', '2027-11-07T04:30', 'midnight twice: the first'],
  ])('%s %s is %s: %s', (name, local, expected) => {
    expect(localToInstant(zoneOffsets(name), utc(local))).toBe(utc(expected))
  })
})

describe('the zone data that ships', () => {
  test('is of the release that it says, and has every zone of another copy of it', () => {
    expect(ZONE_RELEASE).toBe(READER_RELEASE)
    expect(readerZones().filter((name) => !isTimeZone(name))).toEqual([])
  })

  test('has every change of that copy, to the second, as far as it goes', () => {
    const [from, to] = [utc(`${ZONE_YEARS.first}-01-01T00:00`), utc('2037-12-31T00:00')]
    for (const name of readerZones()) {
      // A former name that the copy takes for Lisbon, which was an hour ahead from 1992 to 1996.
      if (name === 'WET') continue
      const changes = clockChanges(zoneOffsets(name), instant(from), instant(to))
      expect([name, changes.map(({ at }) => at)]).toEqual([name, readerChanges(name, from, to)])
      expect([name, changes.map(({ after }) => after)]).toEqual([
        name,
        changes.map(({ at }) => readerOffset(name, at)),
      ])
      expect(offsetAt(zoneOffsets(name), instant(from))).toBe(readerOffset(name, from))
    }
  })

  test('goes on by the last rules of each zone, as far as this computer knows the same ones', () => {
    const [from, to] = [utc('2036-01-01T00:00'), utc(`${ZONE_YEARS.last}-12-31T00:00`)]
    const wall = (name: string) => {
      const clock = new Intl.DateTimeFormat('en', { timeZone: name, timeZoneName: 'longOffset' })
      return (at: number): number => {
        const said = clock.formatToParts(at * 1_000).find(({ type }) => type === 'timeZoneName')!.value
        const [, sign, hours, minutes] = /^GMT(?:([+-])(\d\d):(\d\d))?/.exec(said)!
        return sign === undefined ? 0 : Number(`${sign}1`) * (Number(hours) * 3_600 + Number(minutes) * 60)
      }
    }
    let compared = 0
    for (const name of [
      'Europe/Lisbon',
      'America/New_York',
      'America/Santiago',
      'Australia/Lord_Howe',
      'Asia/Kolkata',
      'Pacific/Chatham',
      'Africa/Cairo',
      'Asia/Jerusalem',
      'America/Havana',
    ]) {
      const zone = zoneOffsets(name)
      const offset = wall(name)
      for (const { at, before, after } of clockChanges(zone, instant(from), instant(to))) {
        expect([name, at, offset(at - 1), offset(at)]).toEqual([name, at, before, after])
        compared += 1
      }
      for (let at = from; at < to; at += 40 * 86_400)
        expect([name, at, offset(at)]).toEqual([name, at, offsetAt(zone, instant(at))])
    }
    expect(compared).toBeGreaterThan(900)
  })

  test('names are found in upper and lower case', () => {
    expect(zoneOffsets('europe/lisbon').offsets).toEqual(zoneOffsets('Europe/Lisbon').offsets)
    expect(() => zoneOffsets('Europe/Atlantis')).toThrow(RangeError)
  })
})

test('offsets hold from one change to the next, and neighbours differ', () => {
  const zone = zoneOffsets('America/Halifax')
  zone.offsets.slice(1).forEach((offset, i) => expect(offset).not.toBe(zone.offsets[i]))
  const changes = clockChanges(zone, instant(utc('2027-01-01T00:00')), instant(utc('2028-01-01T00:00')))
  expect(changes).toEqual([
    { at: utc('2027-03-14T06:00'), before: seconds(-14_400), after: seconds(-10_800) },
    { at: utc('2027-11-07T05:00'), before: seconds(-10_800), after: seconds(-14_400) },
  ])
  expect(offsetAt(zone, instant(changes[0]!.at - 1))).toBe(-14_400)
  expect(offsetAt(zone, changes[0]!.at)).toBe(-10_800)
})

test('a steady stretch promises no more than it can keep', () => {
  const day = fc.integer({ min: dayOf(2024, 1, 1), max: dayOf(2030, 1, 1) })
  fc.assert(
    fc.property(
      fc.constantFrom(...ZONES),
      day,
      fc.integer({ min: 0, max: 2 * 86_400 }),
      (name, start, further) => {
        const zone = zoneOffsets(name)
        const { offset, until } = steadyStretch(zone, start * 86_400)
        expect(until).toBeGreaterThan(start * 86_400)
        const local = Math.min(until - 1, start * 86_400 + 20 * 86_400) + further
        if (offset !== undefined) expect(localToInstant(zone, local)).toBe(local - offset)
      },
    ),
    randomRuns(400),
  )
})

test.each([
  ['Europe/Lisbon', true],
  ['Asia/Kolkata', true],
  ['Etc/UTC', true],
  ['Europe/Atlantis', false],
  ['', false],
  ['../etc/passwd', false],
  ['x'.repeat(90), false],
])('%j is a time zone: %s', (name, expected) => expect(isTimeZone(name)).toBe(expected))
