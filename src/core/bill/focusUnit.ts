/** What a unit of FOCUS counts: time, or data, vCPU and the like for a time, or things. */
export interface FocusUnit {
  /** How many of it are one: 10000 of `10000 Requests`. */
  readonly count: number
  /** In the singular, as written: `GiB`, `vCPU`, `Request`; undefined where it is time alone. */
  readonly thing: string | undefined
  readonly time: UnitTime | undefined
}

const TIMES = ['Second', 'Minute', 'Hour', 'Day', 'Week', 'Month', 'Year'] as const
type UnitTime = (typeof TIMES)[number]

const DATA = /^[KMGTPE]?i?B$/i
const THING = /^[A-Za-z][A-Za-z0-9 /]{0,39}$/

const timeOf = (text: string): UnitTime | undefined =>
  TIMES.find((time) => text === time || text === `${time}s`)

/** Data sizes have no plural of their own; `IOPS` neither. */
const singular = (text: string): string =>
  DATA.test(text) || text === 'IOPS' || !text.endsWith('s') ? text : text.slice(0, -1)

/**
 * Reads a unit as FOCUS writes it: `Hours`, `GiB-Hours`, `GB-Months`, `GB/Hour`, `10000 Requests`. Undefined where it is
 * written otherwise: it is then listed, and nothing is worked out by it.
 */
export function focusUnit(text: string): FocusUnit | undefined {
  const match = /^(?:(\d{1,12}) )?(.+)$/.exec(text.trim())
  if (!match) return undefined
  const [, number, unit] = match as unknown as [string, string | undefined, string]
  const count = number === undefined ? 1 : Number(number)
  if (count === 0) return undefined
  const time = timeOf(unit)
  if (time) return { count, thing: undefined, time }
  const parted = /^(.+)[-/]([A-Za-z]+)$/.exec(unit)
  const per = parted ? timeOf(parted[2]!) : undefined
  if (parted && per && THING.test(parted[1]!)) return { count, thing: singular(parted[1]!), time: per }
  return THING.test(unit) && !unit.includes('/')
    ? { count, thing: singular(unit), time: undefined }
    : undefined
}

const SECONDS = { Second: 1n, Minute: 60n, Hour: 3_600n, Day: 86_400n, Week: 604_800n } as const

/** How many seconds one of a unit of time alone has; undefined for months, years and all that is not time. */
export function secondsOfUnit({ count, thing, time }: FocusUnit): bigint | undefined {
  if (thing !== undefined || time === undefined || time === 'Month' || time === 'Year') return undefined
  return BigInt(count) * SECONDS[time]
}
