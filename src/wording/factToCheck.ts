import type { FactToCheck } from '../core/fit/factsToCheck.ts'
import { formatNumber } from './number'

/** What is to be looked up at the provider, and why this machine rests on it. */
export function factToCheckText(fact: FactToCheck): string {
  const { of } = fact
  switch (fact.code) {
    case 'disk-price':
      return 'what disks cost: nothing is charged for them here'
    case 'system-price':
      return 'whether the system costs something: nothing is charged for it here'
    case 'jurisdiction':
      return `whose law ${of} stands under: the data may be in ${fact.allowed.join(', ')} only`
    case 'distance':
      return `where ${of} lies: from ${fact.from} a round trip may take ${formatNumber(fact.most)} ms`
    case 'fault-domains':
      return `that it shares no fault domain of ${of} with more of “${fact.group}” than the group allows: ${fact.with.join(', ')} may stand in the same`
    case 'size-architecture':
      return `how ${of} is built: ${fact.asks.join(' or ')} is asked for`
    case 'image-architectures':
      return `whether ${of} is made for ${fact.has}`
    case 'size-iops':
      return `whether ${of} passes ${formatNumber(fact.needs)} IOPS`
    case 'size-throughput':
      return `whether ${of} passes ${formatNumber(fact.needs)} MB/s`
    case 'most-disks':
      return `whether ${of} carries ${formatNumber(fact.has)} disks`
    case 'disk-kinds':
      return `whether ${of} carries ${fact.kinds.join(' and ')}`
    case 'disk-iops':
      return `whether ${of} gives ${formatNumber(fact.needs)} IOPS`
    case 'disk-throughput':
      return `whether ${of} gives ${formatNumber(fact.needs)} MB/s`
    case 'size-hibernation':
    case 'image-hibernation':
      return `whether ${of} can hibernate`
    case 'image-room':
      return `how much of the system disk ${of} takes: the memory must have room beside it`
  }
}
