import { NO_UNIT, type PriceUnit } from '../table/priceUnit.ts'
import { asCounted } from '../table/roomUnit.ts'
import type { SizeFacts } from './listEntry.ts'
import type { ListUnits } from './listMapping.ts'
import { convertedPrice, type RowUnits } from './scaledPrice.ts'

/** How a row is counted: as its own cells say, and for the rest as the list. */
export function rowUnits(units: ListUnits, unit: PriceUnit): RowUnits {
  if (unit === NO_UNIT) return units
  const { period, count, parts, room, each: of } = unit
  const isAnother = period !== undefined && period !== units.period
  const each = count ?? (isAnother ? 1 : undefined)
  return {
    ...units,
    ...(period && { period }),
    ...(each !== undefined && { perCount: each }),
    ...(parts !== undefined && { parts }),
    ...(room && { diskRoom: asCounted(room, units.diskRoom) }),
    ...(of && { each: of }),
  }
}

/** A price for each vCPU or core, as often as the machine has them. */
export function ofMachine(amount: string, { vcpu }: SizeFacts, { each, vcpuPerCount }: RowUnits): string {
  if (!each || each === 'machine') return amount
  const count = each === 'core' && vcpuPerCount > 1 ? vcpu / vcpuPerCount : vcpu
  return convertedPrice(amount, String(count))
}
