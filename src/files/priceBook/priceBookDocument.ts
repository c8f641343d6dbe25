import type { PriceBook } from '../../core/catalogue/priceBook.ts'

export const PRICE_BOOK_KIND = 'notchgauge/price-book'
export const PRICE_BOOK_VERSION = 1

/** A price book as it stands in its file: all but what an account makes of it. */
export interface PriceBookFile extends Omit<PriceBook, 'account'> {
  readonly format: string
}

export const bookToFile = ({ account, ...book }: PriceBook): PriceBookFile => ({
  ...book,
  format: `${PRICE_BOOK_KIND}/${PRICE_BOOK_VERSION}`,
})
