import { ownValue } from '../../core/ownValue.ts'
import ICAL from 'ical.js'

/** Steps of the library on its way from one occurrence to the next; 29 February on a Monday takes ten thousand. */
const MOST_STEPS = 20_000
/** In a whole file, of those beyond the few that any rule takes. */
const MOST_STEPS_IN_ALL = 250_000
const FEW_STEPS = 50

/** Steps that were taken: since the last occurrence, and in all that shares the count. */
export interface Steps {
  taken: number
  inAll: number
}

export const noSteps = (): Steps => ({ taken: 0, inAll: 0 })
/** Beyond this a rule comes back in no year that is asked about, and the library counts there one by one. */
const LONGEST_INTERVAL = 1_000_000
/** Dates that are listed one by one. */
export const MOST_LISTED_DATES = 5_000

/** A rule that never comes to its next occurrence, or would take too long to. */
export class EndlessRule extends Error {}

/**
 * The starts of an event, in order, without end where its rule has none. Throws `EndlessRule` where a rule matches
 * nothing (30 February), which the library would look for for ever.
 */
export function* occurrences(event: ICAL.Event, steps: Steps): Generator<ICAL.Time> {
  const { component } = event
  for (const property of component.getAllProperties('rrule')) refuseLongInterval(property)
  for (const name of ['rdate', 'exdate']) {
    const listed = component.getAllProperties(name).reduce((sum, each) => sum + each.getValues().length, 0)
    if (listed > MOST_LISTED_DATES) throw new EndlessRule(`it lists ${listed} dates`)
  }
  const expansion = event.iterator()
  const rules = (expansion as unknown as { ruleIterators?: RuleIterator[] }).ruleIterators ?? []
  for (const rule of rules) countSteps(rule, steps)
  for (;;) {
    steps.taken = 0
    const next = expansion.next() as ICAL.Time | null
    if (!next) return
    yield next
  }
}

/**
 * Whether a start is in the months and on the days that the rules name: the library answers 2 March for a 30 February.
 * One that is listed, or the start itself, stands whatever the rules say.
 */
export function isOfRules(time: ICAL.Time, component: ICAL.Component): boolean {
  const rules = component.getAllProperties('rrule').map((property) => property.getFirstValue() as ICAL.Recur)
  if (rules.length === 0 || component.hasProperty('rdate')) return true
  const start = component.getFirstPropertyValue('dtstart')
  if (start instanceof ICAL.Time && start.compare(time) === 0) return true
  const last = ICAL.Time.daysInMonth(time.month, time.year)
  return rules.some((rule) => {
    const named = (part: string): number[] =>
      (ownValue(rule.parts as Record<string, unknown>, part) as number[] | undefined) ?? []
    const [months, days] = [named('BYMONTH'), named('BYMONTHDAY')]
    return (
      (months.length === 0 || months.includes(time.month)) &&
      (days.length === 0 || days.includes(time.day) || days.includes(time.day - last - 1))
    )
  })
}

/** Whether the rules of a component that is no event, such as a time zone’s, come to an occurrence at all. */
export function isEndless(component: ICAL.Component): boolean {
  const start = component.getFirstPropertyValue('dtstart')
  if (!(start instanceof ICAL.Time)) return component.hasProperty('rrule')
  try {
    for (const property of component.getAllProperties('rrule')) {
      refuseLongInterval(property)
      const rule = (property.getFirstValue() as ICAL.Recur).iterator(start) as unknown as RuleIterator
      countSteps(rule, noSteps())
      rule.next()
      rule.next()
    }
    return false
  } catch {
    return true
  }
}

/** Takes out descriptions of zones whose rules never come to a date: the library follows them for every time in them. */
export function dropEndlessZones(root: ICAL.Component): ICAL.Component {
  for (const zone of root.getAllSubcomponents('vtimezone')) {
    if (zone.getAllSubcomponents().some(isEndless)) root.removeSubcomponent(zone)
  }
  return root
}

interface RuleIterator {
  last: unknown
  next(): unknown
}

/** The library asks where it stands at each of its steps; there they can be counted. */
function countSteps(rule: RuleIterator, steps: Steps): void {
  let { last } = rule
  Object.defineProperty(rule, 'last', {
    get: () => {
      steps.taken += 1
      if (steps.taken > FEW_STEPS) steps.inAll += 1
      if (steps.inAll > MOST_STEPS_IN_ALL)
        throw new EndlessRule('the rules of this file take too long to follow')
      if (steps.taken > MOST_STEPS) throw new EndlessRule('its rule never comes to a date')
      return last
    },
    set: (value: unknown) => {
      last = value
    },
  })
}

function refuseLongInterval(property: ICAL.Property): void {
  const { interval } = property.getFirstValue() as ICAL.Recur
  if (!(interval >= 1 && interval <= LONGEST_INTERVAL))
    throw new EndlessRule(`its rule has an interval of ${interval}`)
}
