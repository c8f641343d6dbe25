import type { BillingMonth } from '../calendar/billingMonth.ts'
import type { ResolvedMachine } from '../machine/resolveMachine.ts'
import type { Charge } from './charge.ts'
import { hourPieces, hourTariff } from './clockPieces.ts'
import { makeCharge } from './makeCharge.ts'
import type { MeteredMonth } from './meteredMonth.ts'

/** An image's licence and its subscription: per vCPU-hour, for a least number of vCPU, as long as the book says. */
export function licenceCharges(
  { image, index, size, machine }: ResolvedMachine,
  metered: MeteredMonth,
  month: BillingMonth,
): Charge[] {
  const charges: Charge[] = []
  for (const id of [image.licence, image.subscription]) {
    const found = id === undefined ? undefined : index.licences.get(id)
    if (!found) continue
    const { licence, rate } = found
    const vcpu = Math.max(size.vcpu, licence.leastVcpu)
    const own = machine.ownLicence === true && licence.ownLicence
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
  return charges
}
