import type { LifeDates } from '../../core/machine/life.ts'

/** `there from 2027-03-01 to 2027-04-30`; nothing for a machine that is always there. */
export function lifeText({ firstDay, lastDay }: LifeDates): string {
  const parts = [firstDay && `from ${firstDay}`, lastDay && `to ${lastDay}`].filter(Boolean)
  return parts.length > 0 ? `there ${parts.join(' ')}` : ''
}
