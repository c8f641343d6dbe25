import type { BookIndex, RegionIndex } from '../../core/catalogue/bookIndex.ts'
import { missingInPlace } from '../../core/notches/choiceFigures.ts'
import type { UserPlace } from '../../core/machine/needs.ts'
import { roundTrip, type RoundTrip } from '../../core/machine/roundTrip.ts'
import type { Notch, PlatesInputs } from '../../core/notches/plate.ts'
import { NOT_KNOWN } from '../../wording/notKnown'
import type { ShownColumn } from './listColumns.ts'
import { formatNumber } from '../../wording/number'
import { providerName } from '../../wording/providerName'

interface Place {
  readonly index: BookIndex
  readonly region: RegionIndex
  readonly zone: string
}

/** Where a place is, how far from the people, and what it does not have. */
export function placeColumns(inputs: PlatesInputs): ShownColumn[] {
  const { resolved, plan, elsewhere = [] } = inputs
  const indexes = [resolved.index, ...elsewhere.map(({ index }) => index)]
  const byProvider = new Map(indexes.map((index) => [index.book.provider.id, index]))
  const placeOf = ({ choice }: Notch): Place => {
    if (choice.decision !== 'place') throw new RangeError('not a place')
    const index = byProvider.get(choice.provider)!
    return { index, region: index.regions.get(choice.region)!, zone: choice.zone }
  }
  const text = (id: string, head: string, width: number, value: (place: Place) => string): ShownColumn => {
    const textOf = (notch: Notch): string => value(placeOf(notch))
    return { id, head, width, kind: 'text', valueOf: textOf, textOf }
  }
  return [
    text('provider', 'provider', 90, ({ index }) =>
      providerName(
        index.book,
        indexes.map(({ book }) => book),
      ),
    ),
    text('jurisdiction', 'jurisdiction', 76, ({ region }) => region.region.jurisdiction ?? NOT_KNOWN),
    text('country', 'country', 60, ({ region }) => region.region.country ?? NOT_KNOWN),
    ...(plan.places ?? []).flatMap((place) => tripColumns(place, placeOf)),
    {
      id: 'zones',
      head: 'zones',
      width: 50,
      kind: 'number',
      valueOf: (notch) => placeOf(notch).region.region.zones.length,
      textOf: (notch) => String(placeOf(notch).region.region.zones.length),
    },
    text('fault-domains', 'fault domains', 84, ({ region }) =>
      String(region.region.faultDomains?.length ?? NOT_KNOWN),
    ),
    text('missing', 'not sold there', 260, missingText),
  ]
}

function tripColumns(place: UserPlace, placeOf: (notch: Notch) => Place): ShownColumn[] {
  const tripOf = (notch: Notch): RoundTrip | undefined => {
    const { index, region } = placeOf(notch)
    return roundTrip(place, index.book.provider.id, region.region)
  }
  return [
    {
      id: `ms-${place.name}`,
      head: `ms ${place.name}`,
      width: 92,
      kind: 'number',
      valueOf: (notch) => tripOf(notch)?.milliseconds,
      textOf: (notch) => {
        const trip = tripOf(notch)
        if (!trip) return NOT_KNOWN
        const { milliseconds, isMeasured } = trip
        return isMeasured ? `${milliseconds} measured` : `~${milliseconds}`
      },
    },
    {
      id: `km-${place.name}`,
      head: `km ${place.name}`,
      width: 84,
      kind: 'number',
      valueOf: (notch) => roundedKm(tripOf(notch)),
      textOf: (notch) => {
        const km = roundedKm(tripOf(notch))
        return km === undefined ? NOT_KNOWN : formatNumber(km)
      },
    },
  ]
}

const roundedKm = (trip: RoundTrip | undefined): number | undefined =>
  trip?.km === undefined ? undefined : Math.round(trip.km)

function missingText({ index, region, zone }: Place): string {
  const { sizes, diskKinds, addresses } = missingInPlace(region, zone, index.book)
  const parts = [
    sizes > 0 ? `${sizes} of ${index.book.sizes.length} sizes` : '',
    ...diskKinds,
    ...addresses.map((sort) => `${sort} addresses`),
  ]
  return parts.filter((part) => part !== '').join(', ') || 'nothing'
}
