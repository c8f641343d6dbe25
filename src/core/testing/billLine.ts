import type { BillLine } from '../bill/billLine.ts'
import { exact, ZERO, type Exact } from '../quantity/exact.ts'

const TENTH: Exact = { n: 1n, d: 10n }

/** A line of a bill: an hour of a machine at 0.10, unless it says otherwise. */
export const billLine = (part: Partial<BillLine> = {}): BillLine => ({
  currency: 'EUR',
  period: '2027-03-01',
  category: 'usage',
  isCorrection: false,
  provider: 'Mill',
  service: 'compute',
  resourceId: part.resourceName ?? '',
  resourceName: '',
  resourceType: '',
  region: '',
  zone: '',
  meter: '',
  sku: '',
  unitPrice: '0.10',
  pricingUnit: 'Hours',
  consumedUnit: 'Hours',
  pricing: 'Standard',
  commitment: '',
  commitmentStatus: '',
  day: '2027-03-01',
  lastDay: part.day ?? '2027-03-01',
  rows: 1,
  billed: TENTH,
  effective: TENTH,
  list: ZERO,
  quantity: exact(1),
  consumed: exact(1),
  ...part,
})
