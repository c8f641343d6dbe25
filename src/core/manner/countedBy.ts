import { OTHER, type BillingAnswer } from './billingAnswer.ts'

/** Least charged length of a run, and the step in which it is counted, in seconds. */
const COUNTED: ReadonlyMap<string, { readonly minimumSeconds: number; readonly incrementSeconds: number }> =
  new Map([
    ['second-of-minute', { minimumSeconds: 60, incrementSeconds: 1 }],
    ['second', { minimumSeconds: 0, incrementSeconds: 1 }],
    ['minute', { minimumSeconds: 60, incrementSeconds: 60 }],
    ['hour', { minimumSeconds: 3_600, incrementSeconds: 3_600 }],
  ])

/** By what runs are counted: the second with a minute at least, the second, the begun minute, the begun hour. */
export const COUNTED_BY: BillingAnswer = {
  id: 'counted-by',
  choices: () => [...COUNTED.keys()],
  valueOf: ({ billing }) =>
    [...COUNTED].find(
      ([, { minimumSeconds, incrementSeconds }]) =>
        billing.minimumSeconds === minimumSeconds && billing.incrementSeconds === incrementSeconds,
    )?.[0] ?? OTHER,
  apply: (book, value) => ({ ...book, billing: { ...book.billing, ...COUNTED.get(value) } }),
}
