import type { BillField, RowUse } from '../core/billMapping/billMapping.ts'

export const BILL_FIELD_NAMES = {
  start: 'begins on',
  end: 'ends on',
  resource: 'resource',
  name: 'its name',
  kind: 'what it is for',
  quantity: 'quantity',
  unit: 'unit',
  unitPrice: 'price of one',
  cost: 'cost before tax',
  currency: 'currency',
  region: 'region',
  zone: 'zone',
  size: 'size',
  vcpu: 'vCPU',
  memory: 'memory, GiB',
  system: 'system',
} as const satisfies Record<BillField, string>

export const ROW_USE_NAMES = {
  'machine-time': 'a machine’s time',
  licence: 'a licence',
  disk: 'a disk',
  snapshot: 'snapshots',
  memory: 'memory kept on disk',
  address: 'an address',
  traffic: 'traffic out',
  tax: 'tax',
  credit: 'a credit',
  'left-out': 'not about machines',
} as const satisfies Record<RowUse, string>

/** Why a cell could not be read. */
export const BILL_FAULTS = { 'no-date': 'is no date', 'no-number': 'is no number' } as const
