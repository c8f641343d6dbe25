'use client'

import { NO_CURRENCY } from '../../core/quantity/currency.ts'
import { useMemo, useState } from 'react'
import styled from 'styled-components'
import { bestOfMachines } from '../../core/wholePlan/bestOfMachines.ts'
import type { PlanNotch } from '../../core/wholePlan/surveyPlan.ts'
import { negate } from '../../core/quantity/exact.ts'
import { Button, QuietButton } from '../../interface/Button'
import { Term } from '../../interface/Term'
import { Progress } from '../../interface/Progress'
import { NOTCH_MEANING } from '../../wording/notch'
import { lossesText } from '../../wording/loss'
import { formatAmount, formatMoney } from '../../wording/money'
import { takeChoice } from '../../store/commands.ts'
import { useWorkbench } from '../workbench/WorkbenchContext'
import { BenchSection, BenchTitle } from './BenchSection'
import { ShowMore } from './ShowMore'
import { useNotchText } from './useNotchText.ts'
import type { Overview } from './useOverview.ts'

const SHOWN = 5

/** The best single change of each machine, taken at a press; its other ways stand under it, since they do not add up. */
export function PlanNotches({ overview }: { readonly overview: Overview }) {
  const { state } = useWorkbench()
  const { plan } = state
  const [most, setMost] = useState(SHOWN)
  const { survey, progress, month } = overview
  const { first = [], count = 0 } = survey?.survey.notches ?? {}
  const currency = month?.totals.currency ?? NO_CURRENCY
  // What is shown may be of the plan as it was a moment ago.
  const best = useMemo(() => {
    const names = new Set(plan.machines.map(({ name }) => name))
    return bestOfMachines(first, plan).filter(({ machine }) => names.has(machine))
  }, [plan, first])
  return (
    <BenchSection aria-label="Largest notches left" data-testid="notches">
      <BenchTitle>
        <span>
          Largest <Term meaning={NOTCH_MEANING}>notches</Term> left
        </span>
        {month && <small>a month, in {month.totals.currency}</small>}
      </BenchTitle>
      {!survey && (
        <Progress
          label="Looking at every plate of every machine"
          done={progress?.progress.done ?? 0}
          of={progress?.progress.of ?? 1}
        />
      )}
      {survey && count === 0 && <p>No single change saves anything that fits.</p>}
      {survey?.together && (
        <p data-testid="saved-together">
          The first {survey.together.machines} together:{' '}
          <Saving>{formatMoney(negate(survey.together.saving), currency)}</Saving> a month.
        </p>
      )}
      <List>
        {best.slice(0, most).map((notch) => (
          <MachineNotches
            key={notch.machine}
            best={notch}
            others={first.filter((each) => each.machine === notch.machine && each !== notch)}
            currency={currency}
          />
        ))}
      </List>
      <ShowMore shown={SHOWN} now={most} there={best.length} count={best.length} onShow={setMost} />
    </BenchSection>
  )
}

interface MachineNotchesProps {
  readonly best: PlanNotch
  readonly others: readonly PlanNotch[]
  readonly currency: string
}

function MachineNotches({ best, others, currency }: MachineNotchesProps) {
  const [isOpen, setIsOpen] = useState(false)
  return (
    <li>
      <NotchRow notch={best} currency={currency} isBest />
      {others.length > 0 && (
        <Others aria-expanded={isOpen} onPress={() => setIsOpen(!isOpen)}>
          {isOpen ? 'Fold' : `or ${others.length} ${others.length === 1 ? 'other way' : 'other ways'}`}
        </Others>
      )}
      {isOpen && others.map((notch) => <NotchRow key={notch.plate} notch={notch} currency={currency} />)}
    </li>
  )
}

function NotchRow({
  notch,
  currency,
  isBest = false,
}: {
  readonly notch: PlanNotch
  readonly currency: string
  readonly isBest?: boolean
}) {
  const { session } = useWorkbench()
  const notchText = useNotchText()
  const { machine, choice, saving, losses } = notch
  const { name } = notchText(notch)
  return (
    <Row>
      <span>
        {isBest && <b>{machine}, </b>}
        {name}
      </span>
      <Saving>{formatAmount(negate(saving!))}</Saving>
      <small>{lossesText(losses)}</small>
      <Button
        aria-label={`Take ${machine}, ${name}: ${formatMoney(negate(saving!), currency)}`}
        onPress={() => session.edit(`${machine}: ${name}`, takeChoice(machine, choice))}
      >
        Take
      </Button>
    </Row>
  )
}

const List = styled.ul`
  li {
    padding: 5px 0;
    border-top: 1px solid var(--rule);
  }
`

const Row = styled.div`
  display: grid;
  grid-template-columns: minmax(0, 1fr) auto;
  gap: 1px 10px;
  align-items: center;

  small {
    font-size: 12px;
    color: var(--ink-2);
  }
`

const Others = styled(QuietButton)`
  margin-left: -8px;
  font-size: 12px;
  color: var(--ink-2);
`

const Saving = styled.b`
  text-align: right;
  color: var(--save);
`
