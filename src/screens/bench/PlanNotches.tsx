'use client'

import { NO_CURRENCY } from '../../core/quantity/currency.ts'
import { useMemo, useState } from 'react'
import styled from 'styled-components'
import { negate } from '../../core/quantity/exact.ts'
import { Button } from '../../interface/Button'
import { Progress } from '../../interface/Progress'
import { lossesText } from '../../wording/loss'
import { formatAmount, formatMoney } from '../../wording/money'
import { takeChoice } from '../../store/commands.ts'
import { useWorkbench } from '../workbench/WorkbenchContext'
import { BenchSection, BenchTitle } from './BenchSection'
import { ShowMore } from './ShowMore'
import { useNotchText } from './useNotchText.ts'
import type { Overview } from './useOverview.ts'

const SHOWN = 7

/** The best single changes over all machines, each taken at a press; undo takes it back. */
export function PlanNotches({ overview }: { readonly overview: Overview }) {
  const { session, state } = useWorkbench()
  const { plan } = state
  const notchText = useNotchText()
  const [most, setMost] = useState(SHOWN)
  const { survey, progress, month } = overview
  const { first = [], count = 0 } = survey?.survey.notches ?? {}
  const machines = useMemo(() => new Set(plan.machines.map(({ name }) => name)), [plan.machines])
  // What is shown may be of the plan as it was a moment ago.
  const shown = first.slice(0, most).filter(({ machine }) => machines.has(machine))
  return (
    <BenchSection aria-label="Largest notches left" data-testid="notches">
      <BenchTitle>
        Largest notches left {month && <small>a month, in {month.totals.currency}</small>}
      </BenchTitle>
      {!survey && (
        <Progress
          label="Looking at every plate of every machine"
          done={progress?.progress.done ?? 0}
          of={progress?.progress.of ?? 1}
        />
      )}
      {survey && count === 0 && <p>No single change saves anything that fits.</p>}
      <List>
        {shown.map((notch) => {
          const { machine, plate, choice, saving, losses } = notch
          const { name } = notchText(notch)
          return (
            <li key={`${machine} ${plate}`}>
              <span>
                <b>{machine}</b>, {name}
              </span>
              <Saving>{formatAmount(negate(saving!))}</Saving>
              <small>{lossesText(losses)}</small>
              <Button
                aria-label={`Take ${machine}, ${name}: ${formatMoney(negate(saving!), month?.totals.currency ?? NO_CURRENCY)}`}
                onPress={() => session.edit(`${machine}: ${name}`, takeChoice(machine, choice))}
              >
                Take
              </Button>
            </li>
          )
        })}
      </List>
      <ShowMore shown={SHOWN} now={most} there={first.length} count={count} onShow={setMost} />
    </BenchSection>
  )
}

const List = styled.ul`
  li {
    display: grid;
    grid-template-columns: minmax(0, 1fr) auto;
    gap: 1px 10px;
    align-items: center;
    padding: 5px 0;
    border-top: 1px solid var(--rule);
  }
  li:first-child {
    border-top: 0;
  }
  small {
    font-size: 12px;
    color: var(--ink-2);
  }
`

const Saving = styled.b`
  text-align: right;
  color: var(--save);
`
