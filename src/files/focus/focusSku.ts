import type { Charge, ChargeSubject, Meter } from '../../core/meter/charge.ts'
import type { ResolvedMachine } from '../../core/machine/resolveMachine.ts'
import { disksOf } from '../../core/machine/resolveMachine.ts'
import type { FocusRow } from './focusColumns.ts'

type Service = Pick<FocusRow, 'ServiceCategory' | 'ServiceSubcategory' | 'ServiceName'>

const service = (category: string, subcategory: string, name: string): Service => ({
  ServiceCategory: category,
  ServiceSubcategory: subcategory,
  ServiceName: name,
})

const MACHINES = service('Compute', 'Virtual Machines', 'Machines')
const DISKS = service('Storage', 'Block Storage', 'Disks')
const SNAPSHOTS = service('Storage', 'Backup Storage', 'Snapshots')

export const SERVICES = {
  compute: MACHINES,
  commitment: MACHINES,
  licence: MACHINES,
  minimum: MACHINES,
  disk: DISKS,
  'memory-image': DISKS,
  snapshot: SNAPSHOTS,
  restore: SNAPSHOTS,
  address: service('Networking', 'Network Connectivity', 'Addresses'),
  traffic: service('Networking', 'Network Connectivity', 'Traffic'),
} as const satisfies Record<Meter, Service>

/** The part of a machine that a charge is for, after the machine's name; empty for the machine itself. */
export function resourceOf(subject: ChargeSubject): { readonly part: string; readonly type: string } {
  switch (subject.of) {
    case 'disk':
    case 'disk-iops':
    case 'disk-throughput':
    case 'disk-operations':
      return { part: `disk-${subject.position}`, type: 'Disk' }
    case 'snapshots':
      return { part: `disk-${subject.position}-snapshots`, type: 'Snapshot' }
    case 'address':
      return { part: 'address', type: 'Address' }
    default:
      return { part: '', type: 'Machine' }
  }
}

/** What is metered, in words that stay the same from month to month. */
export function meterOf({ meter, subject }: Charge): string {
  switch (subject.of) {
    case 'size':
      return subject.base === 'machine' ? meter : `${meter} ${subject.base}`
    case 'address':
      return `address ${subject.sort} ${subject.use}`
    case 'up-front':
      return 'commitment paid up front'
    case 'licence':
    case 'minimum':
    case 'memory':
    case 'traffic':
    case 'restore':
    case 'snapshots':
    case 'disk':
      return meter
    default:
      return subject.of
  }
}

/** What one of `units` is, where the rate is for more than the thing itself. */
export function unitOf({ subject, rate }: Charge): string {
  if (rate.per === 'GiB') return 'GiB'
  switch (subject.of) {
    case 'size':
      return { machine: '', vcpu: 'vCPU', core: 'Core', memory: 'GiB' }[subject.base]
    case 'licence':
      return subject.vcpu === undefined ? '' : 'vCPU'
    case 'disk':
      return subject.byStep ? '' : 'GiB'
    case 'snapshots':
    case 'memory':
      return 'GiB'
    case 'disk-iops':
      return 'IOPS'
    case 'disk-throughput':
      return 'MB/s'
    default:
      return ''
  }
}

/** `SkuPriceDetails`, by the keys of FOCUS 1.2; our own begin with `x_`. */
export function priceDetails(subject: ChargeSubject, resolved: ResolvedMachine): Record<string, unknown> {
  const { size, image, terms } = resolved
  switch (subject.of) {
    case 'size':
    case 'up-front':
    case 'licence':
      return {
        InstanceType: size.id,
        InstanceSeries: size.family,
        CoreCount: size.vcpu,
        MemorySize: size.memoryGiB,
        OperatingSystem: image.name,
        x_Terms: terms.id,
      }
    case 'disk':
    case 'disk-iops':
    case 'disk-throughput':
    case 'disk-operations': {
      const found = disksOf(resolved).find(({ position }) => position === subject.position)
      const room = subject.of === 'disk' ? subject.chargedGiB : found?.disk.roomGiB
      return { DiskType: found?.kind.id ?? subject.name, ...(room !== undefined && { DiskSpace: room }) }
    }
    default:
      return {}
  }
}
