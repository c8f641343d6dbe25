/** How amounts, currencies, rates and percentages are written in files and in fields. */

/** A price with all the digits that a list gives: 16 are common where lists come from divisions. */
export const PRICE = /^\d{1,12}(\.\d{1,18})?$/

export const AMOUNT = /^\d{1,12}(\.\d{1,12})?$/

/** An amount of money as decimal text, not below zero. */
export const isAmount = (text: string): boolean => AMOUNT.test(text)

/** ISO 4217, among those that the platform knows. */
const CURRENCIES = new Set(Intl.supportedValuesOf('currency'))

export const isCurrency = (text: string): boolean => CURRENCIES.has(text)

/** Decimal text above zero. */
export const isExchangeRate = (text: string): boolean => AMOUNT.test(text) && /[1-9]/.test(text)

export const PERCENT = /^(100|\d{1,2}(\.\d{1,4})?)$/

export const isPercent = (text: string): boolean => PERCENT.test(text)
