import { licenceRate, licencesOf, takesOwnLicence } from '../catalogue/licenceRate.ts'
import { accept, type Outcome } from '../outcome.ts'
import { missingPrice, type Charge, type MissingPrice } from './charge.ts'
import type { ChargeContext } from './chargeContext.ts'
import { regionOf, type HardwareReads } from './chargeReads.ts'
import { clockTariff, hourPieces } from './clockPieces.ts'
import { makeCharge } from './makeCharge.ts'

/**
 * An image's licence and its subscription, as long as the book says: at the price that stands with the size, else per
 * vCPU-hour for a least number of vCPU. A licence of one's own takes the place of the first, never of the second.
 */
export function licenceCharges(
  reads: HardwareReads,
  context: ChargeContext,
): Outcome<Charge[], MissingPrice> {
  const { index, metered, month } = context
  const { size, ownLicence } = reads
  const place = { index, region: regionOf(reads, context), size, terms: index.terms.get(reads.terms)! }
  const charges: Charge[] = []
  const image = index.images.get(reads.image)!
  for (const id of licencesOf(image)) {
    const licence = index.licences.get(id)?.licence
    if (!licence) continue
    const own = ownLicence === true && takesOwnLicence(image, licence)
    const found = licenceRate(place, id)
    if (!found) {
      if (own) continue
      return missingPrice('licence')
    }
    const { base, rate } = found
    const vcpu = base === 'vcpu' ? Math.max(reads.vcpu, licence.leastVcpu) : undefined
    charges.push(
      makeCharge(
        'licence',
        { of: 'licence', name: licence.name, vcpu },
        clockTariff(rate, vcpu ?? 1, month),
        hourPieces(metered.licence.pieces, month),
        { rounding: metered.licence.time, band: undefined, waived: own ? { by: 'own-licence' } : undefined },
      ),
    )
  }
  return accept(charges)
}
