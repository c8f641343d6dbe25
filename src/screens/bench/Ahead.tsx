'use client'

import { NO_CURRENCY } from '../../core/quantity/currency.ts'
import { memo } from 'react'
import styled from 'styled-components'
import { yearMonthParts } from '../../core/calendar/yearMonth.ts'
import type { AheadMonth } from '../../core/wholePlan/planAhead.ts'
import type { OverviewPart } from '../../core/wholePlan/planOverview.ts'
import { add, subtract, toNumber, ZERO } from '../../core/quantity/exact.ts'
import { parseDecimal } from '../../core/quantity/decimal.ts'
import { causeLines } from '../../wording/aheadCause'
import { formatAmount, formatMoney } from '../../wording/money'
import { readingText } from '../../wording/reading'
import { formatMonth, monthName } from '../../wording/time'
import { lazyPart } from '../../interface/lazyPart'
import { VisuallyHidden } from '../../interface/VisuallyHidden'
import { useSummaries, useWorkbench } from '../workbench/WorkbenchContext'
import { planCurrency } from '../../core/meter/planTotals.ts'
import { BenchSection, BenchTitle } from './BenchSection'

const BarsInView = lazyPart(() => import('./AheadBars'), 'AheadBars', { drawing: 150 })
const AllBars = lazyPart(() => import('./AheadBars'), 'AheadBars')

interface AheadProps {
  readonly part: Extract<OverviewPart, { kind: 'ahead' }> | undefined
  /** Drawn whether it is in view or not, as for printing. */
  readonly isWhole?: boolean
}

/** Twelve months of the plan, with what commitments ask for and the editions of price books that begin. */
export const Ahead = memo(function Ahead({ part, isWhole = false }: AheadProps) {
  const { state, month: now, address } = useWorkbench()
  const { byName } = useSummaries()
  const { plan, books } = state
  if (!part) return null
  const Bars = isWhole ? AllBars : BarsInView
  const { months } = part
  const priced = [...byName.values()].flatMap((summary) => (summary.priced ? [summary] : []))
  const currency = planCurrency(plan, priced) ?? NO_CURRENCY
  const budget = plan.budget === undefined ? undefined : parseDecimal(plan.budget)
  const total = months.reduce((sum, { planned }) => add(sum, planned), ZERO)
  const provider = (id: string): string => books.find((book) => book.provider.id === id)?.provider.name ?? id
  const missing = [...new Set(months.flatMap(({ leftOut }) => leftOut))]
  const notes = months.flatMap(({ month, changes, leftOut, commitmentEnds }) =>
    [
      ...(changes ? causeLines(month, changes, { currency, provider, leftOut }) : []),
      ...commitmentEnds.map(
        ({ machine, on }) =>
          `the commitment of ${machine} ended on ${on}; later months go by its price as before`,
      ),
      ...(leftOut.length > 0 && !changes?.causes.some(({ kind }) => kind === 'book')
        ? [`without ${leftOut.join(', ')}, no price`]
        : []),
    ].map((text) => `${formatMonth(month)}: ${text}`),
  )
  const points = months.map(({ month, planned, committed }) => ({
    month: `${monthName(month).slice(0, 3)}${month.endsWith('-01') || month === now ? ` ${yearMonthParts(month).year % 100}` : ''}`,
    committed: toNumber(committed),
    rest: toNumber(subtract(planned, committed)),
  }))
  return (
    <BenchSection aria-label="Twelve months ahead">
      <BenchTitle>
        Twelve months ahead
        <small data-testid="ahead-total">
          {formatMoney(total, currency)} in all{readingText(address.reading)}
          {missing.length > 0 && `, without months of ${missing.join(', ')} that have no price`}
        </small>
      </BenchTitle>
      <Figure aria-hidden="true">
        <Bars points={points} currency={currency} budget={budget && toNumber(budget)} />
        <Caption>
          <i data-part="rest" /> as planned <i data-part="committed" /> of it committed, used or not
        </Caption>
      </Figure>
      <VisuallyHidden as="div">
        <AheadTable months={months} />
      </VisuallyHidden>
      {notes.length > 0 && (
        <Notes>
          {notes.map((note) => (
            <li key={note}>{note}</li>
          ))}
        </Notes>
      )}
    </BenchSection>
  )
})

/** The same for who hears the page. */
const AheadTable = ({ months }: { readonly months: readonly AheadMonth[] }) => (
  <table>
    <caption>Twelve months</caption>
    <thead>
      <tr>
        <th scope="col">Month</th>
        <th scope="col">Planned</th>
        <th scope="col">Of it committed</th>
        <th scope="col">Always on</th>
      </tr>
    </thead>
    <tbody>
      {months.map(({ month, planned, committed, alwaysOn }) => (
        <tr key={month}>
          <th scope="row">{formatMonth(month)}</th>
          <td>{formatAmount(planned)}</td>
          <td>{formatAmount(committed)}</td>
          <td>{formatAmount(alwaysOn)}</td>
        </tr>
      ))}
    </tbody>
  </table>
)

const Figure = styled.figure`
  margin: 4px 0 0;
  min-width: 0;
`

const Caption = styled.figcaption`
  display: flex;
  gap: 6px;
  align-items: center;
  font-size: 12px;
  color: var(--ink-2);

  i {
    width: 14px;
    height: 10px;
    background: var(--run);
  }
  i[data-part='committed'] {
    margin-left: 10px;
    background: var(--off);
  }
`

const Notes = styled.ul`
  margin-top: 4px;
  font-size: 12px;
  color: var(--ink-2);
`
