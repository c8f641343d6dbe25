'use client'

import { useMemo } from 'react'
import styled from 'styled-components'
import { toNumber, type Exact } from '../../core/quantity/exact.ts'
import { Button } from '../../interface/Button'
import { Progress } from '../../interface/Progress'
import type { RehearsalSpread, SpreadQuestion } from '../../rehearsal/rehearsalSpread.ts'
import { spreadAsker } from '../../workers/askers.ts'
import { useAnswer } from '../../workers/useAnswer.ts'
import { formatMoney } from '../../wording/money'
import { formatNumber } from '../../wording/number'
import { BillLine, BillTable } from './BillPage'
import { MISHAP_NAMES } from './mishapText.ts'

interface SpreadPartProps {
  readonly question: SpreadQuestion
  /** Lets one of them happen again, to be looked at. */
  readonly onPick: (seed: number) => void
  readonly onCancel: () => void
}

/** What a month comes to in a hundred rehearsals: how it spreads, what costs most, and the dearest ones. */
export function SpreadPart({ question, onPick, onCancel }: SpreadPartProps) {
  const { answer, isStale, step, failure } = useAnswer(spreadAsker, question)
  if (failure !== undefined) return <p role="alert">{failure}</p>
  if (isStale || !answer) {
    return (
      <Part>
        <Progress
          label={`${step ?? 0} of ${question.count} rehearsals`}
          done={step ?? 0}
          of={question.count}
        />
        <Button onPress={onCancel}>Stop</Button>
      </Part>
    )
  }
  return <Spread spread={answer} onPick={onPick} />
}

function Spread({ spread, onPick }: { readonly spread: RehearsalSpread } & Pick<SpreadPartProps, 'onPick'>) {
  const { currency, withoutRate, planned, months, kinds, savedByShutdown } = spread
  const at = (share: number): Exact =>
    months[Math.min(months.length - 1, Math.floor(months.length * share))]!.total
  const money = (amount: Exact): string => formatMoney(amount, currency)
  const worst = months.slice(-3).reverse()
  return (
    <Part data-testid="spread">
      <p>
        {money(planned)} are planned. Half of the months stay below <b>{money(at(0.5))}</b>, nine of ten below{' '}
        <b>{money(at(0.9))}</b>; an auto-shutdown in every week that has none would save{' '}
        {money(savedByShutdown)} of an average month.
      </p>
      {withoutRate.length > 0 && (
        <p>
          Without machines in {withoutRate.join(', ')}: the plan has no exchange rate to {currency}.
        </p>
      )}
      <Histogram spread={spread} />
      <BillTable>
        <thead>
          <tr>
            <th scope="col">what goes wrong</th>
            <th scope="col" data-figure>
              times a month
            </th>
            <th scope="col" data-figure>
              costs a month
            </th>
          </tr>
        </thead>
        <tbody>
          {kinds.map(({ kind, times, cost }) => (
            <tr key={kind}>
              <th scope="row">{MISHAP_NAMES[kind]}</th>
              <td data-figure>{formatNumber(times, 2)}</td>
              <td data-figure>{money(cost)}</td>
            </tr>
          ))}
        </tbody>
      </BillTable>
      <BillLine>
        <span>The dearest:</span>
        {worst.map(({ seed, total }) => (
          <Button key={seed} onPress={() => onPick(seed)}>
            Rehearsal {seed}, {money(total)}
          </Button>
        ))}
      </BillLine>
    </Part>
  )
}

const BINS = 24
const WIDTH = 600
const HEIGHT = 80

/** How many months come to how much; the plan is a line. */
function Histogram({ spread: { months, planned, currency } }: { readonly spread: RehearsalSpread }) {
  const { counts, least, most } = useMemo(() => {
    const totals = months.map(({ total }) => toNumber(total))
    const least = Math.min(...totals, toNumber(planned))
    const most = Math.max(...totals, toNumber(planned))
    const counts = Array.from({ length: BINS }, () => 0)
    for (const total of totals) {
      counts[Math.min(BINS - 1, Math.floor(((total - least) / (most - least || 1)) * BINS))]! += 1
    }
    return { counts, least, most }
  }, [months, planned])
  const highest = Math.max(...counts)
  const x = ((toNumber(planned) - least) / (most - least || 1)) * WIDTH
  const ends = [months[0]!, months.at(-1)!].map(({ total }) => formatMoney(total, currency))
  return (
    <figure>
      <svg
        viewBox={`0 0 ${WIDTH} ${HEIGHT + 2}`}
        role="img"
        aria-label={`${months.length} months from ${ends[0]} to ${ends[1]}`}
      >
        {counts.map((count, i) => {
          const height = (count / highest) * HEIGHT
          return (
            <rect
              key={i}
              x={(i * WIDTH) / BINS + 1}
              width={WIDTH / BINS - 2}
              y={HEIGHT - height}
              height={height}
              fill="var(--off)"
            />
          )
        })}
        <path d={`M${x} 0V${HEIGHT}`} stroke="var(--run)" strokeWidth="2" />
        <path d={`M0 ${HEIGHT + 1}H${WIDTH}`} stroke="var(--rule)" />
      </svg>
      <Ends>
        <span>{ends[0]}</span>
        <span>planned: the green line</span>
        <span>{ends[1]}</span>
      </Ends>
    </figure>
  )
}

const Part = styled.div`
  display: grid;
  gap: 12px;

  figure {
    margin: 0;
  }
  svg {
    display: block;
    width: 100%;
  }
`

const Ends = styled.figcaption`
  display: flex;
  justify-content: space-between;
  font-size: 12px;
  color: var(--ink-2);
`
