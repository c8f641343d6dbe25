import type { ForcedChange } from '../core/machine/forcedChange.ts'
import { diskName } from './charge'
import { offPlanText } from './offPlan'
import { formatNumber } from './number'

const FIELD_NAMES = {
  region: 'Region',
  zone: 'Zone',
  image: 'Image',
  terms: 'Terms',
  size: 'Size',
} as const

/** `Size: Reed 4/16 in place of Heron 4/16`. */
export function forcedChangeText(change: ForcedChange): string {
  switch (change.field) {
    case 'disk':
      return `${diskName(change.position)}: ${change.to} in place of ${change.from}`
    case 'room':
      return `${diskName(change.position)}: ${formatNumber(change.to)} GiB in place of ${formatNumber(change.from)}`
    case 'off':
      return `When off: ${offPlanText(change.to).toLowerCase()} in place of ${offPlanText(change.from).toLowerCase()}`
    default:
      return `${FIELD_NAMES[change.field]}: ${change.to} in place of ${change.from}`
  }
}

/** How many others come with one. */
export const changeCount = (count: number): string => `${count} other ${count === 1 ? 'change' : 'changes'}`
