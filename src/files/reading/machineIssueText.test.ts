import { expect, test } from 'vitest'
import type { YearMonth } from '../../core/calendar/yearMonth.ts'
import type { MachineIssue } from '../../core/meter/planPricing.ts'
import { machineIssueText } from './machineIssueText.ts'

test.each<[MachineIssue, string, string]>([
  [
    { code: 'no-book', provider: 'mill', known: ['fennmark', 'tidewright'] },
    'There is no price book of provider "mill".',
    'one of fennmark, tidewright; or import the price book of that provider first.',
  ],
  [
    { code: 'no-book', provider: 'mill', known: [] },
    'There is no price book of provider "mill".',
    'a price book; or import the price book of that provider first.',
  ],
  [
    {
      code: 'no-book-then',
      provider: 'mill',
      month: '2026-05' as YearMonth,
      covered: ['2027-01-01 to 2027-06-30', 'from 2027-07-01'],
    },
    'No price book of "mill" is valid in 2026-05; at hand are 2027-01-01 to 2027-06-30, from 2027-07-01.',
    'another month, or a book that is valid in it.',
  ],
  [
    {
      code: 'unknown-name',
      field: '/size',
      found: 'older',
      known: ['small', 'middle'],
      replacedBy: 'middle',
    },
    'There is no size "older".',
    '"middle", which took its place; or one of small, middle.',
  ],
  [
    { code: 'unknown-name', field: '/dataDisks/1/kind', found: 'sand', known: [] },
    'There is no disk kind "sand".',
    'a name that exists.',
  ],
  [
    { code: 'not-sold', field: '/size', found: 'Huge', region: 'West', terms: 'On demand', soldOn: [] },
    'Huge is not sold in West.',
    'a size that the region sells, or another region.',
  ],
  [
    { code: 'not-sold', field: '/size', found: 'Huge', region: 'West', terms: 'Spot', soldOn: ['On demand'] },
    'Huge is not sold on the terms "Spot" in West.',
    'one of On demand.',
  ],
  [{ code: 'no-price', part: 'traffic' }, 'Traffic out has no price here.', 'no traffic, or another place.'],
  [
    { code: 'state-not-offered', state: 'hibernated' },
    'The provider has no state "hibernated".',
    'another state when off.',
  ],
])('%o says what is wrong and what would do', (issue, problem, expected) => {
  expect(machineIssueText(issue)).toEqual({ problem, expected })
})
