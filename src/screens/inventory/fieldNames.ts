import type { InventoryField } from '../../files/inventory/inventoryFields.ts'

/** What a column can hold, in words. */
export const FIELD_NAMES = {
  name: 'name',
  purpose: 'purpose',
  provider: 'provider',
  region: 'region',
  zone: 'zone',
  size: 'size',
  vcpu: 'vCPU',
  memory: 'memory',
  image: 'image',
  terms: 'terms',
  'disk-kind': 'kind of the system disk',
  'disk-room': 'room of the system disk',
  'data-disk-room': 'room of a data disk',
  address: 'public address',
  week: 'week plan',
  off: 'state when off',
  'cost-centre': 'cost centre',
  tag: 'a tag of this name',
} as const satisfies Record<InventoryField, string>
