import type { BillingMonth } from '../calendar/billingMonth.ts'
import type { ResolvedMachine } from '../machine/resolveMachine.ts'
import { toNumber, type Exact } from '../quantity/exact.ts'
import { STAYS, TAKEN_AWAY, type FieldMeasure } from './fieldMeasure.ts'
import { iopsForMoney } from './laneMeasure.ts'
import { longestRoundTrip } from './longestRoundTrip.ts'
import { marketColumns, monthHours } from './marketColumns.ts'
import { paysAfter } from './paysAfter.ts'

/** What one machine has of a measure, at its exact month; undefined where nobody knows. */
export function offerMeasure(
  resolved: ResolvedMachine,
  total: Exact,
  measure: FieldMeasure,
  month: BillingMonth,
): number | undefined {
  const { users, index, region, size, terms } = resolved
  switch (measure) {
    case 'round-trip':
      return longestRoundTrip(users, index.book.provider.id, region)
    case 'vcpu':
      return size.vcpu
    case 'memory':
      return size.memoryGiB
    case 'interruption':
      return terms.kind === 'spot' ? TAKEN_AWAY : STAYS
    case 'carbon':
      return region.region.carbonGramsPerKwh
    case 'iops-per-money':
      return iopsForMoney(size.iops, toNumber(total))
    case 'pays-after': {
      const columns = marketColumns(index, month)
      const found = paysAfter(columns, monthHours(month), {
        region: columns.regions.indexOf(region),
        terms: columns.terms.findIndex(({ id }) => id === terms.id),
        size: columns.sizes.findIndex(({ id }) => id === size.id),
        chosen: size,
      })
      return Number.isNaN(found) ? undefined : found
    }
  }
}
