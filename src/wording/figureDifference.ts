import type { FigureDifference } from '../core/notches/figureDifferences.ts'
import { formatNumber } from './number'

const UNITS = {
  vcpu: 'vCPU',
  memory: 'GiB',
  iops: 'IOPS',
  throughput: 'MB/s',
  room: 'GiB of disk',
  hours: 'h',
} as const

function differenceText(difference: FigureDifference): string {
  switch (difference.of) {
    case 'architecture':
      return difference.is
    case 'cores':
      return difference.are === 'shared' ? 'shared cores' : 'cores of its own'
    default: {
      const { by, of } = difference
      const figure = formatNumber(by, 2)
      return `${by > 0 ? '+' : ''}${figure} ${UNITS[of]}`
    }
  }
}

/** `−2 vCPU, arm64`; empty where nothing differs. */
export const differencesText = (differences: readonly FigureDifference[]): string =>
  differences.map(differenceText).join(', ')
