import fc from 'fast-check'
import { Temporal } from 'temporal-polyfill'
import { describe, expect, test } from 'vitest'
import { instant, seconds } from '../quantity/units.ts'
import { dayOf } from './civil.ts'
import {
  clockChanges,
  isTimeZone,
  localToInstant,
  offsetAt,
  steadyStretch,
  zoneOffsets,
} from './zoneOffsets.ts'

const ZONES = Intl.supportedValuesOf('timeZone')
const utc = (text: string): number => Date.parse(`${text}Z`) / 1000

/** The same questions asked of a date library, whose "compatible" reading is that of RFC 5545. */
const libraryInstant = (timeZone: string, local: number): number =>
  Temporal.Instant.fromEpochMilliseconds(local * 1000)
    .toZonedDateTimeISO('UTC')
    .toPlainDateTime()
    .toZonedDateTime(timeZone, { disambiguation: 'compatible' }).epochMilliseconds / 1000

describe('wall-clock times as instants', () => {
  test('agree with a date library in every zone, at random and around each clock change', () => {
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
          const zone = zoneOffsets(name, 2023, 2037)
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
              libraryInstant(name, local),
            ])
          }
        },
      ),
      { seed: 5545, numRuns: 250 },
    )
  })

  test.each([
    ['Europe/Lisbon', '2027-03-28T01:30', '2027-03-28T01:30', 'never shows: offset before the gap'],
    ['Europe/Lisbon', '2027-10-31T01:30', '2027-10-31T00:30', 'shows twice: the first'],
    ['Australia/Lord_Howe', '2027-10-03T02:15', '2027-10-02T15:45', 'a gap of half an hour'],
    ['Pacific/Apia', '2011-12-30T12:00', '2011-12-30T22:00', 'a day that never was'],
    ['America/Havana', '2027-11-07T00:30', '2027-11-07T04:30', 'midnight twice: the first'],
  ])('%s %s is %s: %s', (name, local, expected) => {
    expect(localToInstant(zoneOffsets(name, 2010, 2028), utc(local))).toBe(utc(expected))
  })
})

test('offsets hold from one change to the next, and neighbours differ', () => {
  const zone = zoneOffsets('America/Halifax', 2026, 2028)
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
        const zone = zoneOffsets(name, 2023, 2031)
        const { offset, until } = steadyStretch(zone, start * 86_400)
        expect(until).toBeGreaterThan(start * 86_400)
        const local = Math.min(until - 1, start * 86_400 + 20 * 86_400) + further
        if (offset !== undefined) expect(localToInstant(zone, local)).toBe(local - offset)
      },
    ),
    { seed: 20, numRuns: 400 },
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
