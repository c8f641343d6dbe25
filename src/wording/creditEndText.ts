import type { CreditRunway } from '../core/wholePlan/creditRunway.ts'
import { formatMoney } from './money'
import { instantText } from './instantText.ts'

/** How long a credit lasts: `until 24 May 2027 at 12:40`. */
export function creditEndText({ end, currency, span }: CreditRunway, timeZone: string): string {
  if (end.kind === 'expires') return `until it expires, with ${formatMoney(end.left, currency)} left unused`
  if (end.at === span.from) return 'not at all: it is used up at its start'
  return `until ${instantText(end.at, timeZone)}`
}
