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
        expected: expectedName(issue.field, issue.known),
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

function expectedName(field: string, known: readonly string[]): string {
  const some = known.length > 0 ? `one of ${known.join(', ')}` : undefined
  if (field === '/provider')
    return `${some ?? 'a price book'}; or import the price book of that provider first.`
  return some ? `${some}.` : 'a name that exists.'
}
