import type { BillingAnswer } from './billingAnswer.ts'

const UTC = 'Etc/UTC'

/** The zone in which the provider's month begins: UTC, the book's own, or one that is asked about. */
export const MONTH_ZONE: BillingAnswer = {
  id: 'month-zone',
  choices: ({ billingZone }) => (billingZone === UTC ? [UTC] : [billingZone, UTC]),
  valueOf: ({ billingZone }) => billingZone,
  apply: (book, value) => ({ ...book, billingZone: value }),
}
