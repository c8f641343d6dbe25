import ICAL from 'ical.js'
import { Temporal } from 'temporal-polyfill'
import { readerInstant, readerOffset } from '../../core/testing/zoneReader.ts'
import type { TimerPlan } from '../../core/timers/timerPlan.ts'

/** Readers of what is exported, for tests alone: they share nothing with the writers, nor with the core's calendar. */

/** `2027-03-01T08:00:00Z on`, or `… off-gap-38h`. */
type Switches = string[]

const written = (epochSeconds: number, to: string): string =>
  `${new Date(epochSeconds * 1000).toISOString().slice(0, 19)}Z ${to}`

/** On and off in the order of time; of one instant, in the order of the letters, as the planned ones never share one. */
export const inOrder = (switches: Iterable<string>): Switches => [...switches].sort()

export function readCalendar(text: string): Switches {
  const root = new ICAL.Component(ICAL.parse(text) as unknown[])
  return inOrder(
    root.getAllSubcomponents('vevent').flatMap((component) => {
      const to = String(component.getFirstPropertyValue('summary'))
      const event = new ICAL.Event(component)
      const occurrences = event.iterator()
      const found: string[] = []
      for (
        let next = occurrences.next() as ICAL.Time | null;
        next;
        next = occurrences.next() as ICAL.Time | null
      ) {
        found.push(written(epochOf(next), to))
      }
      return found
    }),
  )
}

function epochOf(time: ICAL.Time): number {
  const { year, month, day, hour, minute, second } = time
  return readerInstant(zoneOf(time), Date.UTC(year, month - 1, day, hour, minute, second) / 1000)
}

const zoneOf = ({ zone }: ICAL.Time): string => (zone === ICAL.Timezone.utcTimezone ? 'UTC' : zone!.tzid)

/** Which of two times, and which way out of a gap, a scheduler takes when clocks change. */
type Disambiguation = 'earlier' | 'later'

interface ScriptRule {
  readonly to: string
  readonly zone: string
  readonly skips: readonly string[]
  readonly only: readonly string[] | undefined
}

/** What the script does with a rule's name on a date: the dates that are left out, or the only ones. */
function readScript(script: string): Map<string, ScriptRule> {
  const datesBefore = (block: string, end: string): string[] | undefined =>
    new RegExp(`^ +(\\d[\\d| -]*)\\)${end} ;;$`, 'm').exec(block)?.[1]?.split(' | ')
  return new Map(
    [...script.matchAll(/^ {4}(\S+)\)\n([\s\S]*?)\n {6};;$/gm)].map(([, id, block]) => [
      id!,
      {
        to: /^ {6}switch_(\w+)$/m.exec(block!)?.[1]?.replaceAll('_', '-') ?? '',
        zone: /TZ=(\S+) date/.exec(block!)?.[1] ?? '',
        skips: datesBefore(block!, ' return 0') ?? [],
        only: datesBefore(block!, ''),
      },
    ]),
  )
}

/** Whether the script lets a rule through on the date that its zone's clock shows. */
function applies({ zone, skips, only }: ScriptRule, at: number): boolean {
  const shown = at + (zone === '' ? 0 : readerOffset(zone, at))
  const today = new Date(shown * 1000).toISOString().slice(0, 10)
  return !skips.includes(today) && only?.includes(today) !== false
}

interface Fire {
  readonly id: string
  readonly zone: string
  readonly date: Temporal.PlainDate
  readonly hour: number
  readonly minute: number
}

export function switchesOf(
  fires: readonly Fire[],
  script: string,
  plan: TimerPlan,
  reading: Disambiguation,
): Switches {
  const rules = readScript(script)
  const found = new Set<string>()
  for (const { id, zone, date, hour, minute } of fires) {
    const rule = rules.get(id)!
    const local = Date.UTC(date.year, date.month - 1, date.day, hour, minute) / 1000
    const epoch = readerInstant(zone, local, reading)
    if (epoch < plan.within.from || epoch >= plan.within.to) continue
    if (applies({ ...rule, zone: rule.zone || zone }, epoch)) found.add(written(epoch, rule.to))
  }
  return inOrder(found)
}

const datesOf = (plan: TimerPlan): Temporal.PlainDate[] => {
  const first = new Temporal.PlainDate(1970, 1, 1).add({ days: plan.from })
  return Array.from({ length: plan.to - plan.from + 3 }, (_, i) => first.add({ days: i - 1 }))
}

/** Zones of hosts on which a cron may run, which never say so. */
export const HOST_ZONES = ['Etc/UTC', 'America/New_York', 'Asia/Kathmandu', 'Australia/Lord_Howe']

/**
 * What cron on a host of some zone makes of a line: it asks the script at each minute that the line names, on the
 * host's clock, and the script does what its tables have for that minute, on the clock of the plan's zone and in UTC.
 */
export function switchesByCron(text: string, script: string, plan: TimerPlan, hostZone: string): Switches {
  const lines = text.split('\n').filter((line) => line !== '' && !line.startsWith('#'))
  const [minutes = '', ...rest] = lines[0]?.split(' ') ?? []
  if (lines.length > 1 || (lines.length === 1 && !/^\* \* \* \* \S+ due$/.test(rest.join(' '))))
    throw new Error(`not a line for any clock: ${lines.join(' / ')}`)
  const asked = new Set(
    minutes === '*' ? Array.from({ length: 60 }, (_, i) => i) : minutes.split(',').map(Number),
  )
  const rules = readScript(script)
  const due = dueTables(script)
  const found: string[] = []
  const { from, to } = plan.within
  // Clocks change at quarters of an hour, and within one each minute of the host's clock comes once.
  for (let quarter = from - (from % 900); lines.length > 0 && quarter < to; quarter += 900) {
    const [host, local] = [readerOffset(hostZone, quarter), readerOffset(due.zone, quarter)]
    const first = Math.floor((quarter + host) / 60) % 60
    for (const minute of asked) {
      const later = (minute - first + 60) % 60
      const at = quarter + later * 60
      if (later >= 15 || at < from || at >= to) continue
      // 1 January 1970 was a Thursday; weeks begin on Mondays.
      const minuteOfWeek = (Math.floor((at + local) / 60) + 3 * 1_440) % 10_080
      for (const id of [...(due.weekly.get(minuteOfWeek) ?? []), ...(due.once.get(at) ?? [])]) {
        if (applies(rules.get(id)!, at)) found.push(written(at, rules.get(id)!.to))
      }
    }
  }
  return inOrder(found)
}

interface DueTables {
  readonly zone: string
  /** By minutes since Monday's midnight, on the clock of the zone. */
  readonly weekly: ReadonlyMap<number, readonly string[]>
  /** By instants. */
  readonly once: ReadonlyMap<number, readonly string[]>
}

/** Which rules the script has for a minute: by weekday and time, and by date and time in UTC. */
function dueTables(script: string): DueTables {
  const [weekly, once] = [new Map<number, string[]>(), new Map<number, string[]>()]
  for (const [, clock, keys, id] of script.matchAll(
    / {2}case "\$(week|utc)_clock" in\n +(.*)\) run_rule (\S+) \|\|/g,
  )) {
    for (const key of keys!.split(' | ')) {
      const [day = '', time = ''] = key.slice(1, -1).split(' ')
      const minutes = Number(time.slice(0, 2)) * 60 + Number(time.slice(2))
      const [table, at] =
        clock === 'week'
          ? [weekly, (Number(day) - 1) * 1_440 + minutes]
          : [once, Date.parse(day) / 1_000 + minutes * 60]
      table.set(at, [...(table.get(at) ?? []), id!])
    }
  }
  return { zone: /week_clock="\$\(TZ=(\S+) date/.exec(script)![1]!, weekly, once }
}

const WEEKDAYS = ['Mon', 'Tue', 'Wed', 'Thu', 'Fri', 'Sat', 'Sun']

export function readUnits(units: readonly { name: string; text: string }[], plan: TimerPlan): Fire[] {
  return units.flatMap(({ text }) => {
    const id = /^Unit=.*@(.*)\.service$/m.exec(text)?.[1]
    if (id === undefined) return []
    return [...text.matchAll(/^OnCalendar=(.*)$/gm)].flatMap(([, calendar]): Fire[] => {
      const [, days, date, hour, minute, zone] = /^(?:(\S*[a-z]) )?(\S+) (\d\d):(\d\d):00 (\S+)$/.exec(
        calendar!,
      )!
      return datesOf(plan).flatMap((each): Fire[] => {
        const isDay = !days || days.split(',').includes(WEEKDAYS[each.dayOfWeek - 1]!)
        const isDate = date === '*-*-*' || date === each.toString()
        return isDay && isDate
          ? [{ id, zone: zone!, date: each, hour: Number(hour), minute: Number(minute) }]
          : []
      })
    })
  })
}
