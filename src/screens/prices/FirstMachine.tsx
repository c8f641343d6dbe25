'use client'

import { useMemo } from 'react'
import styled from 'styled-components'
import { Term } from '../../interface/Term'
import { GLOSSARY } from '../../wording/glossary'
import { newMachine } from '../../core/carry/newMachine.ts'
import type { PriceBook } from '../../core/catalogue/priceBook.ts'
import { PlanPricing, type PricedMachine } from '../../core/meter/planPricing.ts'
import { add, ZERO } from '../../core/quantity/exact.ts'
import { Button } from '../../interface/Button'
import { formatMoney } from '../../wording/money'
import { formatHours, formatMonth } from '../../wording/time'
import { officeWeek } from '../workbench/emptyPlan.ts'
import { useMachineActions } from '../workbench/useMachineActions'
import { useWorkbench } from '../workbench/WorkbenchContext'

interface FirstMachineProps {
  readonly book: PriceBook
  /** Whether it can be added to the plan from here. */
  readonly isOffered?: boolean
}

/** What a machine costs by this book: those of the plan, or the first that it could have. */
export function FirstMachine({ book, isOffered = true }: FirstMachineProps) {
  const { state, month, address, pricing } = useWorkbench()
  const { add: addMachine } = useMachineActions()
  const { plan } = state
  const { reading } = address
  const isKept = state.books.some(({ provider }) => provider.id === book.provider.id)
  const own = plan.machines.filter(({ provider }) => provider === book.provider.id)
  const first = useMemo(() => {
    const week = plan.weeks[0] ?? officeWeek('office-days', 'Office days')
    const machine = own.length > 0 ? undefined : newMachine(book, 'first', week)
    if (!machine) return undefined
    const inputs = { plan: { weeks: [week], machines: [machine] }, books: [book], month, reading }
    const result = new PlanPricing(inputs).of(machine)
    return result.ok ? { ...result, week } : undefined
  }, [book, month, reading, own.length, plan.weeks])
  const assumed = book.assumed?.length ?? 0
  const caution =
    assumed === 0 ? null : (
      <Caution>
        {assumed} {assumed === 1 ? 'answer is' : 'answers are'}{' '}
        <Term meaning={GLOSSARY.assumed}>assumed</Term>
      </Caution>
    )
  if (own.length > 0) {
    const priced = own.map((machine) => pricing.of(machine)).filter((each): each is PricedMachine => each.ok)
    const total = priced.reduce((sum, { estimate }) => add(sum, estimate.total), ZERO)
    return (
      <Line aria-label="This plan on these prices">
        <span>
          {priced.length} {priced.length === 1 ? 'machine' : 'machines'} of the plan, {formatMonth(month)}
        </span>
        <Total data-testid="book-total">{formatMoney(total, book.currency)}</Total>
        {caution}
      </Line>
    )
  }
  if (!first) {
    return (
      <Line aria-label="First machine">Type one size with its price, and its first month stands here.</Line>
    )
  }
  const { resolved, estimate, week } = first
  return (
    <Line aria-label="First machine">
      <span>
        <b>{resolved.size.name}</b> in {resolved.region.region.name}, {week.name.toLowerCase()},{' '}
        {formatHours(estimate.onTime)}, {formatMonth(month)}
      </span>
      <Total data-testid="book-total">{formatMoney(estimate.total, book.currency)}</Total>
      {caution}
      {isOffered && isKept && <Button onPress={() => void addMachine(book)}>Add it to the plan</Button>}
    </Line>
  )
}

const Line = styled.section`
  display: flex;
  flex-wrap: wrap;
  gap: 4px 14px;
  align-items: center;
  margin-top: 20px;
  padding-top: 10px;
  border-top: 1px solid var(--rule);
  color: var(--ink-2);

  b {
    color: var(--ink);
  }
`

const Total = styled.b`
  font-size: 20px;
  font-weight: 640;
`

const Caution = styled.span`
  border-bottom: 2px dotted var(--held);
`
