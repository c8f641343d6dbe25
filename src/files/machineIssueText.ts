import type { MachineIssue } from '../core/meter/estimatePlan.ts'

const WHAT: Record<string, string> = {
  '/provider': 'price book of provider',
  '/size': 'size',
  '/region': 'region',
  '/zone': 'zone',
  '/image': 'image',
  '/terms': 'terms',
  '/week': 'week',
}

const whatOf = (field: string): string => WHAT[field] ?? 'disk kind'

/** Why a machine has no price, in words. */
export function machineIssueText(issue: MachineIssue): { problem: string; expected: string } {
  switch (issue.code) {
    case 'unknown-name':
      return {
        problem: `There is no ${whatOf(issue.field)} "${issue.found}".`,
        expected: issue.known.length > 0 ? `one of ${issue.known.join(', ')}.` : 'a name that exists.',
      }
    case 'no-price':
      return 'field' in issue
        ? {
            problem: `${issue.found} is not sold in ${issue.region}.`,
            expected: 'a size that the region sells, or another region.',
          }
        : {
            problem: 'A part of this machine has no price here.',
            expected: 'another disk kind, room or address.',
          }
    case 'terms-not-priced':
      return {
        problem: `Terms "${issue.found}" cannot be priced yet.`,
        expected: 'on-demand terms.',
      }
    case 'state-not-offered':
      return {
        problem: `The provider has no state "${issue.state}".`,
        expected: 'another state when off.',
      }
  }
}
