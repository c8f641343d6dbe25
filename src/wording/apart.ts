import type { ApartGroup } from '../core/machine/apartGroup.ts'
import { formatNumber } from './number'

/** What a group allows: `at most 1 in a zone, 2 in a fault domain`. */
export function apartGroupText({ mostInZone, mostInFaultDomain }: ApartGroup, sharesNothing = false): string {
  const limits = [
    mostInZone === undefined ? '' : `${formatNumber(mostInZone)} in a zone`,
    mostInFaultDomain === undefined ? '' : `${formatNumber(mostInFaultDomain)} in a fault domain`,
  ].filter(Boolean)
  const shared = limits.length > 0 ? `at most ${limits.join(', ')}` : 'any number together'
  return sharesNothing ? `${shared}; this one in a region of its own` : shared
}
