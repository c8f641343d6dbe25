/** What the best of each is listed by. */
export const OFFER_GROUPINGS = ['provider', 'place', 'country', 'family'] as const
export type OfferGrouping = (typeof OFFER_GROUPINGS)[number]
