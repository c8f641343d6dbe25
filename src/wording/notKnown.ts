/** What stands where a price book does not say a figure. */
export const NOT_KNOWN = 'not known'
