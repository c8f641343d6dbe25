import { ownValue } from '../../core/ownValue.ts'
import type { MissingPrice } from '../../core/meter/charge.ts'
import type { MachineIssue } from '../../core/meter/planPricing.ts'

const WHAT: Record<string, string> = {
  '/size': 'size',
  '/region': 'region',
  '/zone': 'zone',
  '/image': 'image',
  '/terms': 'terms',
  '/week': 'week',
}

const whatOf = (field: string): string => ownValue(WHAT, field) ?? 'disk kind'

const MISSING = {
  size: ['The size is not sold here on these terms.', 'another size, place or terms.'],
  disk: ['A disk of this machine has no price here.', 'another disk kind, room or place.'],
  'disk-performance': [
    'The disk kind sells no IOPS or throughput on top here.',
    'another disk kind, or none on top.',
  ],
  snapshots: ['Snapshots have no price here.', 'no snapshots, or another place.'],
  address: ['This sort of public address has no price here.', 'another address, or none.'],
  'memory-image': ['The memory kept on disk has no price here.', 'another state when off.'],
  licence: ['The image is not sold with this size here.', 'another image, size or place.'],
  traffic: ['Traffic out has no price here.', 'no traffic, or another place.'],
} as const satisfies Record<MissingPrice['part'], readonly [string, string]>

const orNone = (names: readonly string[]): string => (names.length > 0 ? `one of ${names.join(', ')}` : '')

/** Why a machine has no price, in words. */
export function machineIssueText(issue: MachineIssue): { problem: string; expected: string } {
  switch (issue.code) {
    case 'no-book': {
      const some = issue.known.length > 0 ? orNone(issue.known) : 'a price book'
      return {
        problem: `There is no price book of provider "${issue.provider}".`,
        expected: `${some}; or import the price book of that provider first.`,
      }
    }
    case 'no-book-then':
      return {
        problem: `No price book of "${issue.provider}" is valid in ${issue.month}; at hand are ${issue.covered.join(', ')}.`,
        expected: 'another month, or a book that is valid in it.',
      }
    case 'unknown-name': {
      const replaced =
        issue.replacedBy === undefined ? '' : `"${issue.replacedBy}", which took its place; or `
      return {
        problem: `There is no ${whatOf(issue.field)} "${issue.found}".`,
        expected: `${replaced}${orNone(issue.known) || 'a name that exists'}.`,
      }
    }
    case 'not-sold':
      return issue.soldOn.length === 0
        ? {
            problem: `${issue.found} is not sold in ${issue.region}.`,
            expected: 'a size that the region sells, or another region.',
          }
        : {
            problem: `${issue.found} is not sold on the terms "${issue.terms}" in ${issue.region}.`,
            expected: `${orNone(issue.soldOn)}.`,
          }
    case 'no-price': {
      const [problem, expected] = MISSING[issue.part]
      return { problem, expected }
    }
    case 'state-not-offered':
      return {
        problem: `The provider has no state "${issue.state}".`,
        expected: 'another state when off.',
      }
  }
}
