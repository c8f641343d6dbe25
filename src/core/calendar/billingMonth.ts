import { type Span } from '../quantity/units.ts'
import { dayOf } from './civil.ts'
import { yearMonthParts, type YearMonth } from './yearMonth.ts'
import { localToInstant, zoneOffsets } from './zoneOffsets.ts'

/** From local midnight of the first to local midnight of the next first, in the provider's billing zone. */
export function billingMonth(month: YearMonth, billingZone: string): Span {
  const { year, month: number } = yearMonthParts(month)
  const zone = zoneOffsets(billingZone, year - 1, year + 1)
  return {
    from: localToInstant(zone, dayOf(year, number, 1) * 86_400),
    to: localToInstant(zone, dayOf(year, number + 1, 1) * 86_400),
  }
}
