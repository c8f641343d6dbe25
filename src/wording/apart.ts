import type { ApartGroup } from '../core/machine/apart.ts'
import { formatNumber } from './number'

/** What a group allows: `1 at most in a zone, 2 in a fault domain`. */
export function apartGroupText({ mostInZone, mostInFaultDomain }: ApartGroup, sharesNothing = false): string {
  const limits = [
    mostInZone === undefined ? '' : `in a zone ${formatNumber(mostInZone)}`,
    mostInFaultDomain === undefined ? '' : `in a fault domain ${formatNumber(mostInFaultDomain)}`,
  ].filter(Boolean)
  const shared = limits.length > 0 ? `${limits.join(', ')} at most` : 'any number together'
  return sharesNothing ? `${shared}; this one in a region of its own` : shared
}
