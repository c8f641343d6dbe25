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
    [...script.matchAll(/^ {2}(\S+)\)\n([\s\S]*?)\n {4};;$/gm)].map(([, id, block]) => [
      id!,
      {
        to: /^ {4}switch_(\w+)$/m.exec(block!)?.[1]?.replaceAll('_', '-') ?? '',
        zone: /TZ=(\S+) date/.exec(block!)?.[1] ?? '',
        skips: datesBefore(block!, ' exit 0') ?? [],
        only: datesBefore(block!, ''),
      },
    ]),
  )
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
    const shown = epoch + readerOffset(rule.zone || zone, epoch)
    const today = new Date(shown * 1000).toISOString().slice(0, 10)
    if (rule.skips.includes(today) || rule.only?.includes(today) === false) continue
    found.add(written(epoch, rule.to))
  }
  return inOrder(found)
}

const datesOf = (plan: TimerPlan): Temporal.PlainDate[] => {
  const first = new Temporal.PlainDate(1970, 1, 1).add({ days: plan.from })
  return Array.from({ length: plan.to - plan.from + 3 }, (_, i) => first.add({ days: i - 1 }))
}

const inField = (field: string, value: number): boolean =>
  field === '*' ||
  field.split(',').some((part) => {
    const [low, high = low] = part.split('-').map(Number)
    return value >= low! && value <= high!
  })

export function readCrontab(text: string, plan: TimerPlan): Fire[] {
  let zone = 'UTC'
  return text.split('\n').flatMap((line): Fire[] => {
    const isZone = /^CRON_TZ=(.*)$/.exec(line)
    if (isZone) zone = isZone[1]!
    if (isZone || line === '' || line.startsWith('#')) return []
    const [minute, hour, day, month, weekday, , id] = line.split(' ') as [
      string,
      string,
      string,
      string,
      string,
      string,
      string,
    ]
    return datesOf(plan).flatMap((date): Fire[] =>
      inField(day, date.day) && inField(month, date.month) && inField(weekday, date.dayOfWeek % 7)
        ? [{ id, zone, date, hour: Number(hour), minute: Number(minute) }]
        : [],
    )
  })
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
