import { accept, type Outcome } from '../outcome.ts'
import type { Charge } from './charge.ts'
import type { ChargeContext } from './chargeContext.ts'
import type { HardwareReads } from './chargeReads.ts'
import { hourPieces, hourTariff } from './clockPieces.ts'
import { makeCharge } from './makeCharge.ts'

/** An image's licence and its subscription: per vCPU-hour, for a least number of vCPU, as long as the book says. */
export function licenceCharges(
  { image: imageId, vcpu: ownVcpu, ownLicence }: HardwareReads,
  { index, metered, month }: ChargeContext,
): Outcome<Charge[], never> {
  const image = index.images.get(imageId)!
  const charges: Charge[] = []
  for (const id of [image.licence, image.subscription]) {
    const found = id === undefined ? undefined : index.licences.get(id)
    if (!found) continue
    const { licence, rate } = found
    const vcpu = Math.max(ownVcpu, licence.leastVcpu)
    const own = ownLicence === true && licence.ownLicence
    charges.push(
      makeCharge(
        'licence',
        { of: 'licence', name: licence.name, vcpu },
        hourTariff(rate, vcpu, month),
        hourPieces(metered.licence.pieces, month),
        { rounding: metered.licence.time, band: undefined, waived: own ? { by: 'own-licence' } : undefined },
      ),
    )
  }
  return accept(charges)
}
