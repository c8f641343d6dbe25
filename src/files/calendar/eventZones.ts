import ICAL from 'ical.js'
import { dayOf } from '../../core/calendar/civil.ts'
import { isTimeZone, localToInstant, offsetAt, zoneOffsets } from '../../core/calendar/zoneOffsets.ts'
import { instant, SECONDS_PER_DAY, type Instant } from '../../core/quantity/units.ts'
import { isEndless } from './occurrences.ts'

/**
 * Times of a calendar file on the clock of one zone. A zone's name is looked up among those of IANA first, then in the
 * file itself (VTIMEZONE); a time without a zone, or in one that neither knows, is on the clock that is asked about.
 */
export class EventZones {
  private readonly described: ReadonlyMap<string, ICAL.Timezone>

  constructor(
    roots: readonly ICAL.Component[],
    private readonly timeZone: string,
  ) {
    const components = roots.flatMap((root) => root.getAllSubcomponents('vtimezone'))
    this.described = new Map(
      // One that is broken, or whose rules never come to a date, would be searched without end.
      components
        .filter(
          (component) => !component.getAllSubcomponents().some((part) => !isOffset(part) || isEndless(part)),
        )
        .map((component) => [String(component.getFirstPropertyValue('tzid')), new ICAL.Timezone(component)]),
    )
  }

  /**
   * Seconds since 1970-01-01T00:00 on the clock that is asked about; `zone` is the name that stands with the time.
   * `unknown` is a name that nobody knows.
   */
  localSeconds(time: ICAL.Time, zone: string | undefined): { seconds: number; unknown?: string } {
    const { year, month, day, hour, minute, second } = time
    const written = dayOf(year, month, day) * SECONDS_PER_DAY + hour * 3_600 + minute * 60 + second
    const isUtc = time.zone === ICAL.Timezone.utcTimezone
    if (!isUtc && (zone === undefined || zone === this.timeZone)) return { seconds: written }
    const at = isUtc ? instant(written) : this.instantOf(time, written, zone!)
    if (at === undefined) return { seconds: written, unknown: zone! }
    return { seconds: at + offsetAt(zoneOffsets(this.timeZone), at) }
  }

  private instantOf(time: ICAL.Time, written: number, zone: string): Instant | undefined {
    if (isTimeZone(zone)) return localToInstant(zoneOffsets(zone), written)
    const described = this.described.get(zone)
    if (!described) return undefined
    const there = time.clone()
    there.zone = described
    return instant(written - there.utcOffset())
  }
}

function isOffset(part: ICAL.Component): boolean {
  try {
    return (
      part.getFirstPropertyValue('dtstart') instanceof ICAL.Time &&
      ['tzoffsetfrom', 'tzoffsetto'].every(
        (name) => part.getFirstPropertyValue(name) instanceof ICAL.UtcOffset,
      )
    )
  } catch {
    return false
  }
}
