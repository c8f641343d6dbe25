import type { DiskKind, PriceBook } from '../catalogue/priceBook.ts'
import { withManner } from '../manner/manners.ts'
import { gib } from '../quantity/units.ts'

export interface NewBook {
  readonly id: string
  readonly name: string
  /** ISO 4217. */
  readonly currency: string
  readonly place: { readonly id: string; readonly name: string }
  /** The first day on which the prices hold, `2027-03-01`. */
  readonly from: string
}

/** Where no list names zones, the place has one. */
export const ONE_ZONE = 'any'

export const ANY_ROOM: DiskKind['room'] = { by: 'gib', leastGiB: gib(1), mostGiB: gib(65_536) }

/** Stands where nobody has said what a disk costs: charged at nothing, and said to be missing wherever it counts. */
export const UNPRICED_DISK: DiskKind = {
  id: 'disk',
  name: 'Disk, price not given',
  room: ANY_ROOM,
  boots: true,
}

export const FAMILY = { id: 'sizes', name: 'Sizes' } as const

/**
 * A book with one place and nothing in it to sell yet, charged in the most usual manner. What is put there so that a
 * machine can be priced at all is assumed, and says so.
 */
export function newBook({ id, name, currency, place, from }: NewBook): PriceBook {
  return withManner(
    {
      provider: { id, name },
      edition: from,
      currency,
      valid: { from },
      billingZone: 'Etc/UTC',
      billing: { minimumSeconds: 0, incrementSeconds: 1 },
      states: {
        running: { compute: true, licence: true, disks: true, address: 'attachedOn', memoryImage: false },
      },
      regions: [{ ...place, zones: [ONE_ZONE] }],
      families: [FAMILY],
      sizes: [],
      diskKinds: [UNPRICED_DISK],
      licences: [],
      images: [{ id: 'any-system', name: 'Any system' }],
      terms: [{ id: 'on-demand', name: 'On demand', kind: 'on-demand' }],
      prices: {
        [place.id]: { sizes: {}, disks: { [UNPRICED_DISK.id]: { perGiBMonth: '0' } }, addresses: {} },
      },
      assumed: [
        { about: 'disk-price', from: 'not-said' },
        { about: 'system-price', from: 'not-said' },
      ],
    },
    'gives-back',
  )
}
