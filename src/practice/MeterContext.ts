import type { PriceBook } from '../core/catalogue/priceBook.ts'
import type { FreeTicks } from './freePools.ts'
import type { Within } from './stretches.ts'

/** Prices of a part of the month: a list can change within it. */
interface PricedTime extends Within {
  readonly book: PriceBook
}

/** What the machines of an account are metered by in one month. */
export interface MeterContext {
  /** The book by whose rules the account is metered. */
  readonly book: PriceBook
  /** The whole month of the book’s billing zone. */
  readonly month: Within
  /** What is metered of it: until now. */
  readonly within: Within
  /** In order, without gaps; only prices of sizes are looked up in them. */
  readonly prices: readonly PricedTime[]
  readonly free: FreeTicks
}
