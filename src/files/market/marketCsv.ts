import { csvText, type CsvOptions } from '../reading/csvText.ts'
import type { MarketReport, OfferReport } from './marketReport.ts'

const COLUMNS = [
  'rank',
  'provider',
  'edition',
  'region',
  'zone',
  'place',
  'country',
  'size',
  'size name',
  'vcpu',
  'memory GiB',
  'terms',
  'image',
  'when off',
  'disk kind',
  'disk GiB',
  'round trip ms',
  'assumed answers',
  'month',
  'less now',
  'currency',
  'provider id',
  'terms id',
] as const

/** The market of a machine as CSV: what it is now with rank 0, then the cheapest offers. Amounts are exact to 12 places. */
export function marketCsv({ now, cheapest, currency }: MarketReport, options?: CsvOptions): string {
  const row = (offer: OfferReport, rank: number): string[] => [
    String(rank),
    offer.provider,
    offer.edition,
    offer.region,
    offer.zone,
    offer.place,
    offer.country ?? '',
    offer.size,
    offer.sizeName,
    String(offer.vcpu),
    String(offer.memoryGiB),
    offer.terms,
    offer.image,
    offer.off,
    offer.systemDisk.kind,
    String(offer.systemDisk.roomGiB),
    String(offer.roundTripMs ?? ''),
    String(offer.assumed ?? ''),
    offer.total,
    offer.difference,
    currency,
    offer.providerId,
    offer.termsId,
  ]
  return csvText([COLUMNS, row(now, 0), ...cheapest.map((offer, at) => row(offer, at + 1))], options)
}
