const SECONDS_PER_DAY = 86_400

const formats = new Map<string, Intl.DateTimeFormat>()

/** Years, months and days as the machine that this runs on knows zones; the planner’s own calendar is not asked. */
function formatOf(timeZone: string): Intl.DateTimeFormat {
  let format = formats.get(timeZone)
  if (!format) {
    format = new Intl.DateTimeFormat('en-US', {
      timeZone,
      calendar: 'gregory',
      numberingSystem: 'latn',
      hourCycle: 'h23',
      year: 'numeric',
      month: 'numeric',
      day: 'numeric',
      hour: 'numeric',
      minute: 'numeric',
      second: 'numeric',
    })
    formats.set(timeZone, format)
  }
  return format
}

/** What a clock on the wall shows, as seconds since 1970 were it in UTC. */
function wallTime(timeZone: string, at: number): number {
  const parts = new Map(
    formatOf(timeZone)
      .formatToParts(at * 1_000)
      .map(({ type, value }) => [type, Number(value)]),
  )
  const part = (type: Intl.DateTimeFormatPartTypes): number => parts.get(type)!
  return (
    Date.UTC(part('year'), part('month') - 1, part('day'), part('hour'), part('minute'), part('second')) /
    1_000
  )
}

/** The instant at which a wall clock shows this for the first time; where it never does, by the offset before. */
function instantOf(timeZone: string, wall: number): number {
  const offsetAt = (at: number): number => wallTime(timeZone, at) - at
  const [before, after] = [offsetAt(wall - SECONDS_PER_DAY), offsetAt(wall + SECONDS_PER_DAY)]
  const shown = [before, after].map((offset) => wall - offset).filter((at) => wallTime(timeZone, at) === wall)
  return shown.length > 0 ? Math.min(...shown) : wall - before
}

/** When a date of a zone begins, in seconds since 1970; `month` counts from 1, and months and days may go over. */
export const midnight = (timeZone: string, year: number, month: number, day: number): number =>
  instantOf(timeZone, Date.UTC(year, month - 1, day) / 1_000)

/** The midnights of a month, and the one that ends it. */
export function midnightsOf(timeZone: string, year: number, month: number): number[] {
  const days = new Date(Date.UTC(year, month, 0)).getUTCDate()
  return Array.from({ length: days + 1 }, (_, day) => midnight(timeZone, year, month, day + 1))
}

/** Year and month in which an instant lies. */
export function monthAt(timeZone: string, at: number): { readonly year: number; readonly month: number } {
  const date = new Date(wallTime(timeZone, at) * 1_000)
  return { year: date.getUTCFullYear(), month: date.getUTCMonth() + 1 }
}
