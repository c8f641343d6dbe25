import { dayNumber } from '../../core/calendar/civil.ts'
import { billingMonth } from '../../core/calendar/billingMonth.ts'
import { clockChanges, offsetAt, zoneOffsets } from '../../core/calendar/zoneOffsets.ts'
import type { YearMonth } from '../../core/calendar/yearMonth.ts'
import { SECONDS_PER_DAY } from '../../core/quantity/units.ts'
import { formatDay } from '../../wording/time'

/** A second clock beside the week's. */
export interface BesideClock {
  /** Minutes that it is ahead as the month begins; below zero when behind. */
  readonly ahead: number
  /** A sentence, with the day on which that changes within the month. */
  readonly text: string
}

export function besideClock(timeZone: string, besideZone: string, month: YearMonth): BesideClock {
  const { from, to } = billingMonth(month, timeZone)
  const [own, other] = [timeZone, besideZone].map((zone) => zoneOffsets(zone)) as [
    ReturnType<typeof zoneOffsets>,
    ReturnType<typeof zoneOffsets>,
  ]
  const aheadAt = (at: typeof from): number => Math.round((offsetAt(other, at) - offsetAt(own, at)) / 60)
  const ahead = aheadAt(from)
  const [change] = [...clockChanges(own, from, to), ...clockChanges(other, from, to)]
    .sort((a, b) => a.at - b.at)
    .filter(({ at }) => aheadAt(at) !== ahead)
  const day =
    change && formatDay(dayNumber(Math.floor((change.at + offsetAt(own, change.at)) / SECONDS_PER_DAY)))
  const then = change ? `, from ${day} on ${aheadText(aheadAt(change.at))}` : ''
  return { ahead, text: `${besideZone} is ${aheadText(ahead)}${then}` }
}

/** `5 h 30 min ahead`. */
function aheadText(minutes: number): string {
  if (minutes === 0) return 'on the same time'
  const [hours, rest] = [Math.floor(Math.abs(minutes) / 60), Math.abs(minutes) % 60]
  const parts = [hours > 0 && `${hours} h`, rest > 0 && `${rest} min`].filter(Boolean)
  return `${parts.join(' ')} ${minutes > 0 ? 'ahead' : 'behind'}`
}
