'use client'

import { memo, useState } from 'react'
import styled from 'styled-components'
import type { Survey } from '../../core/wholePlan/surveyPlan.ts'
import { SEVERITIES } from '../../core/watch/finding.ts'
import { QuietButton } from '../../interface/Button'
import { findingText, SEVERITY_NAMES } from '../../wording/finding'
import { formatMoney } from '../../wording/money'
import { VisuallyHidden } from '../../interface/VisuallyHidden'
import { Sign } from '../watch/Sign'
import { useLinks } from '../workbench/useLinks.ts'
import { useWorkbench } from '../workbench/WorkbenchContext'
import { BenchSection, BenchTitle } from './BenchSection'

const SHOWN = 8

/** What is open on the watch lists of all machines: by what is at stake, then by how bad it is. */
export const PlanWatch = memo(function PlanWatch({ survey }: { readonly survey: Survey | undefined }) {
  const { state } = useWorkbench()
  const link = useLinks()
  const [showsAll, setShowsAll] = useState(false)
  if (!survey) return null
  const { machines, weeks } = state.plan
  const zoneOf = (name: string): string => {
    const machine = machines.find((each) => each.name === name)
    return weeks.find(({ id }) => id === machine?.week)?.timeZone ?? 'Etc/UTC'
  }
  const worst = [...survey.findings].sort(
    (a, b) =>
      Number(b.stake !== undefined) - Number(a.stake !== undefined) ||
      (a.stake === undefined
        ? SEVERITIES.indexOf(a.finding.severity) - SEVERITIES.indexOf(b.finding.severity)
        : 0),
  )
  const shown = showsAll ? worst : worst.slice(0, SHOWN)
  return (
    <BenchSection aria-label="Watch list of the plan" data-testid="plan-watch">
      <BenchTitle>
        Watch{' '}
        <small>{worst.length === 0 ? 'nothing is open' : `${worst.length} open, by cost at stake`}</small>
      </BenchTitle>
      <List>
        {shown.map(({ machine, currency, finding }) => {
          return (
            <li key={`${machine} ${finding.key}`}>
              <Sign severity={finding.severity} />
              <span>
                <VisuallyHidden>{SEVERITY_NAMES[finding.severity]}: </VisuallyHidden>
                <a {...link({ view: 'gauge', machine })}>{machine}</a>:{' '}
                {findingText(finding.facts, { currency, timeZone: zoneOf(machine) })}
              </span>
              <b>{finding.stake && finding.stake.n > 0n ? formatMoney(finding.stake, currency) : ''}</b>
            </li>
          )
        })}
      </List>
      {worst.length > SHOWN && (
        <QuietButton onPress={() => setShowsAll(!showsAll)}>
          {showsAll ? 'Only the first' : `${worst.length - SHOWN} more`}
        </QuietButton>
      )}
    </BenchSection>
  )
})

const List = styled.ul`
  li {
    display: grid;
    grid-template-columns: 16px minmax(0, 1fr) auto;
    gap: 6px;
    align-items: baseline;
    padding: 4px 0;
    border-top: 1px solid var(--rule);
  }
  li:first-child {
    border-top: 0;
  }
  b {
    font-weight: 560;
    white-space: nowrap;
  }
`
