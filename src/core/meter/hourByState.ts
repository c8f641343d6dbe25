import { addressRate, diskRate, memoryImageRate, sizeRate } from '../catalogue/bookIndex.ts'
import type { ResolvedMachine } from '../machine/resolveMachine.ts'
import { POWER_STATES, type PowerState } from '../power/powerState.ts'
import { add, ZERO, type Exact } from '../quantity/exact.ts'
import { hourlyAmount, monthlyAmount } from '../quantity/rate.ts'
import { lengthOf, seconds, SECONDS_PER_HOUR, type Span } from '../quantity/units.ts'

export interface HourInState {
  readonly state: Exclude<PowerState, 'deleted'>
  readonly amount: Exact
  /** True where the state is not running and the hardware is charged all the same. */
  readonly stillCharged: boolean
}

const HOUR = seconds(SECONDS_PER_HOUR)

/**
 * What one hour costs in each state that the provider has, without minimums and rounding. Monthly rates are shared
 * over the hours of this month, so they differ a little from month to month.
 */
export function hourByState(resolved: ResolvedMachine, month: Span): HourInState[] {
  return POWER_STATES.flatMap((state) => {
    const amount = state === 'deleted' ? undefined : costOfHour(resolved, state, lengthOf(month))
    if (state === 'deleted' || !amount) return []
    const stillCharged = state !== 'running' && resolved.index.book.states[state]!.compute
    return [{ state, amount, stillCharged }]
  })
}

function costOfHour(
  resolved: ResolvedMachine,
  state: PowerState,
  month: ReturnType<typeof lengthOf>,
): Exact | undefined {
  const { index, region, size, image, machine } = resolved
  const row = index.book.states[state]
  if (!row) return undefined
  const parts: (Exact | undefined)[] = []
  if (row.compute) {
    const rate = sizeRate(region, size.id)
    parts.push(rate && hourlyAmount(rate, HOUR))
  }
  const licensed = image.licence === undefined ? undefined : index.licences.get(image.licence)
  if (row.licence && licensed) {
    parts.push(hourlyAmount(licensed.rate, HOUR, Math.max(size.vcpu, licensed.licence.leastVcpu)))
  }
  if (row.disks) {
    const disks = [machine.systemDisk, ...machine.dataDisks]
    for (const [i, kind] of [resolved.systemKind, ...resolved.dataKinds].entries()) {
      const found = diskRate(region, kind, disks[i]!.roomGiB)
      parts.push(found && monthlyAmount(found.rate, HOUR, month, found.units))
    }
  }
  if (row.address !== 'none' && machine.address !== 'none') {
    const rate = addressRate(region, machine.address, row.address)
    parts.push(rate && hourlyAmount(rate, HOUR))
  }
  if (row.memoryImage) {
    const rate = memoryImageRate(region)
    parts.push(rate && monthlyAmount(rate, HOUR, month, size.memoryGiB))
  }
  return parts.reduce<Exact | undefined>((total, part) => total && part && add(total, part), ZERO)
}
