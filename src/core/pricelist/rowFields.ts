import type { ListField, RowKind } from './listMapping.ts'

/** What has to be said of a row of each kind, and what may be. */
export const ROW_FIELDS: {
  readonly [Kind in RowKind]: { readonly must: readonly ListField[]; readonly may: readonly ListField[] }
} = {
  'size-price': {
    must: ['size', 'vcpu', 'memory', 'place', 'price'],
    may: [
      'system',
      'term',
      'payment',
      'upFront',
      'unit',
      'currency',
      'architecture',
      'family',
      'zone',
      'localDisk',
      'mostDisks',
      'iops',
      'throughput',
      'network',
      'bandFrom',
      'validFrom',
      'validTo',
    ],
  },
  'disk-price': {
    must: ['disk', 'place', 'price'],
    may: ['room', 'unit', 'currency', 'bandFrom', 'bandUpTo', 'validFrom', 'validTo'],
  },
  'address-price': { must: ['place', 'price'], may: ['use', 'unit', 'currency', 'validFrom', 'validTo'] },
  'traffic-price': {
    must: ['place', 'price', 'bandFrom', 'bandUpTo'],
    may: ['unit', 'currency', 'validFrom', 'validTo'],
  },
  'snapshot-price': { must: ['place', 'price'], may: ['unit', 'currency', 'validFrom', 'validTo'] },
}
