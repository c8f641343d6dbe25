import { expect, test } from 'vitest'
import type { Finding } from '../watch/finding.ts'
import { exact, ZERO } from '../quantity/exact.ts'
import { leadingSurvey } from './leadingSurvey.ts'
import type { PlanFinding, PlanNotch } from './surveyPlan.ts'

const notch = (machine: string, saving: PlanNotch['saving']): PlanNotch => ({
  machine,
  plate: 'off',
  choice: { decision: 'off', off: 'stopped' },
  difference: ZERO,
  currency: 'EUR',
  saving,
  losses: [],
})
const found = (machine: string, severity: Finding['severity'], stake: PlanFinding['stake']): PlanFinding => ({
  machine,
  currency: 'EUR',
  finding: { key: 'left-on', severity, facts: { code: 'left-on' } as Finding['facts'] },
  stake,
})

test('what saves nothing is left out, and what costs comes before what is only bad', () => {
  const survey = leadingSurvey({
    notches: [notch('a', exact(5n)), notch('b', exact(1n)), notch('c', ZERO), notch('d', undefined)],
    findings: [
      found('a', 'note', exact(9n)),
      found('b', 'note', undefined),
      found('c', 'problem', undefined),
      found('d', 'problem', exact(2n)),
    ],
  })
  expect(survey.notches.first.map(({ machine }) => machine)).toEqual(['a', 'b'])
  expect(survey.findings.first.map(({ machine }) => machine)).toEqual(['a', 'd', 'c', 'b'])
})

test('of thousands the first are given, and how many there are', () => {
  const { notches, findings } = leadingSurvey({
    notches: Array.from({ length: 5_000 }, (_, i) => notch(`m${i}`, exact(1n))),
    findings: Array.from({ length: 3_000 }, (_, i) => found(`m${i}`, 'note', undefined)),
  })
  expect([notches.count, notches.first.length, notches.first[7]?.machine]).toEqual([5_000, 1_000, 'm7'])
  expect([findings.count, findings.first.length]).toEqual([3_000, 1_000])
})
