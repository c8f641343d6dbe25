import { TAKEN_AWAY, type FieldMeasure } from '../core/market/fieldMeasure.ts'
import { formatNumber } from './number'

export const MEASURE_NAMES: Readonly<Record<FieldMeasure, string>> = {
  'round-trip': 'round trip from the people',
  vcpu: 'vCPU',
  memory: 'memory',
  'iops-per-money': 'IOPS for the money',
  'pays-after': 'hours until it pays',
  interruption: 'whether it can be taken away',
  carbon: 'carbon of the place',
}

/** What an offer has of a measure: `36 ms`, `pays from 311 h on`. */
export function measureText(measure: FieldMeasure, value: number, symbol: string): string {
  const figure = formatNumber(value >= 100 ? Math.round(value) : Number(value.toPrecision(3)))
  switch (measure) {
    case 'round-trip':
      return `${figure} ms`
    case 'vcpu':
      return `${figure} vCPU`
    case 'memory':
      return `${figure} GiB`
    case 'iops-per-money':
      return `${figure} IOPS for ${symbol} 1`
    case 'pays-after':
      return value === 0 ? 'pays at once' : `pays from ${figure} h on`
    case 'interruption':
      return value >= TAKEN_AWAY ? 'may be taken away' : 'stays'
    case 'carbon':
      return `${figure} g for a kWh`
  }
}
