import type { PricedMachine } from '../../core/meter/planPricing.ts'
import { focusRows } from '../focus/focusRows.ts'
import { billOfRows, type RowsOfBill } from './billOfRows.ts'

/** A planned month as a bill would have it, by days of the provider’s zone: what is compared is read in the same way. */
export const plannedBill = (priced: readonly PricedMachine[]): RowsOfBill =>
  billOfRows(
    priced.flatMap((machine) => focusRows(machine, 'day')),
    {
      timeZone: 'Etc/UTC',
      byProvider: new Map(
        priced.map(({ resolved: { index } }) => [
          index.book.provider.name.toLowerCase(),
          index.book.billingZone,
        ]),
      ),
    },
  )
