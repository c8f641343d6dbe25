/**
 * What amounts are in where nothing says: no price book, no currency of the plan. ISO 4217 keeps this code for
 * transactions without a currency.
 */
export const NO_CURRENCY = 'XXX'
