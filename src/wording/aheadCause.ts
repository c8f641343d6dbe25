import type { AheadCause, AheadCauses } from '../core/wholePlan/aheadCauses.ts'
import type { YearMonth } from '../core/calendar/yearMonth.ts'
import { addMonths } from '../core/calendar/yearMonth.ts'
import { formatDifference, formatMoney, signedMoney } from './money.ts'
import { monthName } from './time.ts'

interface CauseWords {
  readonly currency: string
  /** A provider's name by its id. */
  readonly provider: (id: string) => string
  /** Machines that have no price in the month. */
  readonly leftOut: readonly string[]
}

/** A sentence for each cause, the same month with and without it, and one for all else: they add up to the difference. */
export function causeLines(
  month: YearMonth,
  { causes, days }: AheadCauses,
  words: CauseWords,
): readonly string[] {
  const before = addMonths(month, -1)
  return [
    ...causes.map((cause) => causeText(cause, words)),
    ...(days && before ? [`other days and hours than ${monthName(before)}: ${signedMoney(days)}`] : []),
  ]
}

function causeText(cause: AheadCause, { currency, provider, leftOut }: CauseWords): string {
  const [is, was] = [cause.with, cause.without].map((amount) => formatMoney(amount, currency)) as [
    string,
    string,
  ]
  const more = formatDifference(cause.with, cause.without)
  const who = provider(cause.provider)
  switch (cause.kind) {
    case 'edition':
      return `${who} by its edition ${cause.edition}: ${is} in place of ${was} by what was before, ${more}`
    case 'allowance':
      return `the free allowance “${cause.name}” of ${who} ended on ${cause.on}: ${is} in place of ${was} with it, ${more}`
    case 'book':
      return `the price book of ${who}, ${cause.edition}, ended on ${cause.on} and no edition follows: ${is} without ${leftOut.join(', ')}, in place of ${was} by it, ${more}`
  }
}
