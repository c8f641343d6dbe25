import fc from 'fast-check'
import { SHUTDOWN_STATES } from '../calendar/autoShutdown.ts'
import { dayOf, dayNumber, type Weekday } from '../calendar/civil.ts'
import type { WeekException } from '../calendar/weekException.ts'
import type { WeekPlan } from '../calendar/weekPlan.ts'
import { weekOf } from './weeks.ts'

/** Forty zones that change their clocks at odd times, by odd amounts, as others do, or not at all. */
export const ODD_ZONES = [
  'Etc/UTC', 'Europe/Lisbon', 'Asia/Kolkata', 'Australia/Lord_Howe', 'America/Santiago', 'America/Halifax',
  'Asia/Kathmandu', 'Pacific/Chatham', 'Africa/Casablanca', 'America/St_Johns', 'Pacific/Apia', 'America/Havana',
  'America/Nuuk', 'Africa/Cairo', 'America/New_York', 'America/Los_Angeles', 'America/Mexico_City',
  'America/Sao_Paulo', 'America/Asuncion', 'America/Caracas', 'America/Argentina/Buenos_Aires', 'America/Anchorage',
  'America/Adak', 'America/Miquelon', 'Atlantic/Azores', 'Europe/Dublin', 'Europe/Istanbul', 'Europe/Volgograd',
  'Africa/El_Aaiun', 'Africa/Juba', 'Asia/Tehran', 'Asia/Gaza', 'Asia/Beirut', 'Asia/Pyongyang',
  'Australia/Adelaide', 'Australia/Eucla', 'Antarctica/Troll', 'Pacific/Norfolk', 'Pacific/Kiritimati',
  'Pacific/Easter',
] // prettier-ignore

const anyException = (year: number): fc.Arbitrary<WeekException> =>
  fc
    .record({
      month: fc.constantFrom(1, 3, 4, 9, 10, 11),
      day: fc.integer({ min: 1, max: 31 }),
      more: fc.constantFrom(0, 0, 0, 1, 2),
      does: fc.constantFrom('off' as const, 'off' as const, 'on' as const),
    })
    .map(({ month, day, more, does }) => {
      const from = dayOf(year, month, day)
      return { from, to: dayNumber(from + more), does }
    })

/** Up to nine windows at one-minute grain in an odd zone, with exceptions in `year`. */
export const anyWeekIn = (year: number): fc.Arbitrary<WeekPlan> =>
  fc
    .record({
      timeZone: fc.constantFrom(...ODD_ZONES),
      windows: fc.array(
        fc.record({
          day: fc.integer({ min: 0, max: 6 }),
          from: fc.integer({ min: 0, max: 1439 }),
          length: fc.oneof(fc.integer({ min: 1, max: 600 }), fc.integer({ min: 1, max: 1440 })),
        }),
        { maxLength: 9 },
      ),
      exceptions: fc.array(anyException(year), { maxLength: 4 }),
      startEarlyMinutes: fc.constantFrom(0, 0, 0, 2, 45),
      autoShutdown: fc.option(
        fc.record({
          minute: fc.integer({ min: 0, max: 1439 }),
          days: fc.uniqueArray(fc.integer({ min: 0, max: 6 }), { minLength: 1, maxLength: 7 }),
          timeZone: fc.option(fc.constantFrom(...ODD_ZONES), { nil: undefined }),
          off: fc.constantFrom(undefined, undefined, ...SHUTDOWN_STATES),
        }),
        { nil: undefined, freq: 2 },
      ),
    })
    .map(({ timeZone, windows, exceptions, startEarlyMinutes, autoShutdown }) => ({
      ...weekOf(
        timeZone,
        windows.map(({ day, from, length }) => ({ day: day as Weekday, from, to: from + length })),
      ),
      exceptions,
      ...(startEarlyMinutes > 0 && { startEarlyMinutes }),
      ...(autoShutdown && {
        autoShutdown: {
          minute: autoShutdown.minute,
          days: autoShutdown.days as Weekday[],
          ...(autoShutdown.timeZone !== undefined && { timeZone: autoShutdown.timeZone }),
          ...(autoShutdown.off && { off: autoShutdown.off }),
        },
      }),
    }))
