import type { OfferRow } from '../../core/market/offerRow.ts'

/** `Tidewright, Tallinn c`. */
export const offerPlace = ({ provider, place, machine }: OfferRow): string =>
  `${provider}, ${place} ${machine.zone}`
