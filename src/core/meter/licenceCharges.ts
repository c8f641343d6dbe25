import type { BillingMonth } from '../calendar/billingMonth.ts'
import type { ResolvedMachine } from '../machine/resolveMachine.ts'
import { unitsExact } from '../quantity/rate.ts'
import type { Charge } from './charge.ts'
import type { MeteredMonth } from './meteredMonth.ts'
import { withAmount } from './amountOf.ts'
import { hourPieces, hourTicks } from './clockPieces.ts'

/** An image's licence and its subscription: per vCPU-hour, for a least number of vCPU, as long as the book says. */
export function licenceCharges(
  resolved: ResolvedMachine,
  metered: MeteredMonth,
  month: BillingMonth,
): Charge[] {
  const { image, index, size, machine } = resolved
  return [image.licence, image.subscription].flatMap((id) => {
    const found = id === undefined ? undefined : index.licences.get(id)
    if (!found) return []
    const { licence, rate } = found
    const vcpu = Math.max(size.vcpu, licence.leastVcpu)
    const own = machine.ownLicence === true && licence.ownLicence
    return [
      withAmount({
        meter: 'licence',
        subject: { of: 'licence', name: licence.name, vcpu },
        rate,
        units: unitsExact(vcpu),
        pieces: hourPieces(metered.licence.pieces, month),
        ...hourTicks(month),
        rounding: metered.licence.time,
        ...(own && { waived: { by: 'own-licence' } }),
      }),
    ]
  })
}
