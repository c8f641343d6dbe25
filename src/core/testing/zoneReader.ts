import moment from 'moment-timezone'

/**
 * Another reader of the same release of zone data, for tests alone: a library's own copy, known to 2037. Shares nothing
 * with the data that ships, nor with what the computer says of zones.
 */
export const READER_RELEASE = moment.tz.dataVersion

export const readerZones = (): string[] => moment.tz.names()

const zones = new Map<string, moment.MomentZone>()

function zoneOf(name: string): moment.MomentZone {
  let zone = zones.get(name)
  if (!zone) {
    zone = moment.tz.zone(name) ?? undefined
    if (!zone) throw new RangeError(`the reader has no zone ${name}`)
    zones.set(name, zone)
  }
  return zone
}

/** Seconds east of UTC. */
export function readerOffset(name: string, at: number): number {
  const { untils, offsets } = zoneOf(name)
  let low = 0
  let high = untils.length - 1
  while (low < high) {
    const middle = (low + high) >> 1
    if (at * 1_000 < (untils[middle] ?? Infinity)) high = middle
    else low = middle + 1
  }
  return 0 - Math.round(offsets[low]! * 60)
}

/** Every change of the offset inside a span, in seconds. */
export const readerChanges = (name: string, from: number, to: number): number[] =>
  zoneOf(name)
    .untils.map((until) => until / 1_000)
    .filter((at) => at > from && at < to && readerOffset(name, at - 1) !== readerOffset(name, at))

/**
 * The instant of a wall-clock time in seconds since 1970 on that clock. One that shows twice is the first (or the
 * later), one that is skipped is read with the offset before (or after, for `earlier`): `rfc5545` takes the first and
 * the offset before.
 */
export function readerInstant(
  name: string,
  local: number,
  choose: 'rfc5545' | 'earlier' | 'later' = 'rfc5545',
): number {
  const [from, to] = [local - 2 * 86_400, local + 2 * 86_400]
  const offsets = [from, ...readerChanges(name, from, to)].map((at) => readerOffset(name, at))
  const shown = offsets.map((offset) => local - offset).filter((at) => at + readerOffset(name, at) === local)
  if (shown.length > 0) return choose === 'later' ? Math.max(...shown) : Math.min(...shown)
  const gap = readerChanges(name, from, to).find(
    (at) => at + readerOffset(name, at - 1) <= local && local < at + readerOffset(name, at),
  )!
  return local - readerOffset(name, choose === 'earlier' ? gap : gap - 1)
}
