import { addressRate, trafficBands } from '../catalogue/regionRates.ts'
import { roundTrip } from '../machine/roundTrip.ts'
import { APART_PLACE_CHECK } from './apartChecks.ts'
import type { FitCheck, PlaceCheck } from './fitCheck.ts'

/** Where the machine may stand at all, whatever it is. */
export const PLACE_CHECKS: readonly PlaceCheck[] = [
  {
    concerns: ['place'],
    find: ({ region: { region }, machine: { needs } }) => {
      const allowed = needs.jurisdictions ?? []
      if (allowed.length === 0 || !region.jurisdiction || allowed.includes(region.jurisdiction))
        return undefined
      return { code: 'jurisdiction-not-allowed', place: region.name, has: region.jurisdiction, allowed }
    },
  },
  {
    concerns: ['place'],
    find: ({ region: { region }, machine: { needs, provider }, users }) => {
      const most = needs.roundTripMs ?? 0
      if (most === 0) return undefined
      for (const place of users) {
        const trip = roundTrip(place, provider, region)
        if (trip && trip.milliseconds > most) {
          const { milliseconds, isMeasured } = trip
          return { code: 'too-far', place: region.name, from: place.name, milliseconds, isMeasured, most }
        }
      }
      return undefined
    },
  },
  APART_PLACE_CHECK,
]

/** What the region must sell for this machine beside its size and disks. */
export const REGION_CHECKS: readonly FitCheck[] = [
  {
    concerns: ['place', 'address'],
    find: ({ region, machine }) => {
      const sold = machine.address === 'none' || addressRate(region, machine.address, 'attachedOn')
      return sold
        ? undefined
        : { code: 'address-not-sold-here', sort: machine.address, place: region.region.name }
    },
  },
  {
    concerns: ['place', 'traffic'],
    find: ({ region, machine: { trafficOutGiB = 0 } }) =>
      trafficOutGiB === 0 || trafficBands(region)
        ? undefined
        : { code: 'traffic-not-sold-here', place: region.region.name },
  },
]
