import type { BillLine } from '../bill/billLine.ts'

export const METER_CLASSES = [
  'machine-time',
  'licence',
  'disk',
  'snapshot',
  'memory',
  'address',
  'traffic',
  'minimum',
] as const
/** What a line is for, in words that plan and bill share. */
export type MeterClass = (typeof METER_CLASSES)[number]

const has = (words: RegExp, { meter, resourceType, sku }: BillLine): boolean =>
  words.test(`${meter} ${resourceType} ${sku}`)

/**
 * By the service and by the provider’s own words; undefined for what is about no service. What is charged for a machine and
 * is no licence is machine time, commitments among it.
 */
export function meterClass(line: BillLine): MeterClass | undefined {
  switch (line.service) {
    case 'compute':
      if (has(/\bminimum\b/i, line)) return 'minimum'
      return has(/licen[cs]e|subscription|surcharge/i, line) ? 'licence' : 'machine-time'
    case 'storage':
      if (has(/snapshot|backup|restor/i, line)) return 'snapshot'
      return has(/memory|hibernat/i, line) ? 'memory' : 'disk'
    case 'networking':
      return has(/traffic|transfer|egress|data out/i, line) ? 'traffic' : 'address'
    case undefined:
      return undefined
  }
}
