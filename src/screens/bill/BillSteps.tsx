'use client'

import styled from 'styled-components'
import { parseDecimal } from '../../core/quantity/decimal.ts'
import { toNumber, ZERO } from '../../core/quantity/exact.ts'
import { roundParts } from '../../core/quantity/roundParts.ts'
import type { ReconciledCurrency } from '../../core/reconcile/inCurrency.ts'
import { groupDigits } from '../../wording/number'
import { causeGroups, GROUP_NAMES } from './causeGroups.ts'

interface Step {
  readonly name: string
  /** Decimal text as it is shown. */
  readonly amount: string
  readonly from: number
  readonly to: number
  readonly kind: 'end' | 'more' | 'less'
}

const HEIGHT = 96
/** Where there is nothing between the two ends. */
const SLIM = 24

/** From what was planned to what was billed, a step a kind of cause; figures as they are shown add up. */
function stepsOf({ planned, causes }: ReconciledCurrency): Step[] {
  const groups = causeGroups(causes)
  const { parts, total } = roundParts([planned, ...groups.map(({ amount }) => amount)], 2)
  let at = numberOf(parts[0]!)
  const between = groups.flatMap(({ id }, i): Step[] => {
    const amount = parts[i + 1]!
    const value = numberOf(amount)
    if (value === 0) return []
    const from = at
    at += value
    return [{ name: GROUP_NAMES[id], amount, from, to: at, kind: value > 0 ? 'more' : 'less' }]
  })
  return [
    { name: 'planned', amount: parts[0]!, from: 0, to: numberOf(parts[0]!), kind: 'end' },
    ...between,
    { name: 'billed', amount: total, from: 0, to: numberOf(total), kind: 'end' },
  ]
}

/** For drawing only. */
const numberOf = (text: string): number => toNumber(parseDecimal(text) ?? ZERO)

const signed = ({ kind, amount }: Step): string =>
  kind === 'more' ? `+${groupDigits(amount)}` : groupDigits(amount)

export function BillSteps({ of }: { readonly of: ReconciledCurrency }) {
  const steps = stepsOf(of)
  const ends = steps.flatMap(({ from, to, kind }) => (kind === 'end' ? [to] : [from, to]))
  const [most, least] = [Math.max(...ends), Math.min(...ends)]
  // What did not change is not drawn at its length, so that what did can be seen.
  const spread = Math.max(most - least, most * 0.02, 1e-9)
  const floor = Math.max(0, least - spread * 0.6)
  const height = steps.length > 2 ? HEIGHT : SLIM
  const top = (value: number): number => ((most - Math.max(value, floor)) / (most - floor)) * height
  return (
    <List
      aria-label="From planned to billed"
      style={{ gridTemplateColumns: `repeat(${steps.length}, minmax(0, 1fr))` }}
    >
      {steps.map((step, i) => {
        const begins = top(step.kind === 'end' ? step.to : Math.max(step.from, step.to))
        const ends = step.kind === 'end' ? height : top(Math.min(step.from, step.to))
        const next = steps[i + 1]
        return (
          <li key={step.name}>
            <Drawing
              style={{ height }}
              viewBox={`0 0 100 ${height}`}
              preserveAspectRatio="none"
              aria-hidden="true"
            >
              <rect
                x="0"
                width="84"
                y={begins}
                height={Math.max(1, ends - begins)}
                fill={FILLS[step.name === 'billed' ? 'billed' : step.kind]}
              />
              {next && (
                <path d={`M84 ${top(step.to)}H100`} stroke="var(--ink-3)" vectorEffect="non-scaling-stroke" />
              )}
            </Drawing>
            <Caption>
              <span>{step.name}</span>
              <b data-kind={step.kind}>{signed(step)}</b>
            </Caption>
          </li>
        )
      })}
    </List>
  )
}

const FILLS = {
  end: 'var(--off)',
  billed: 'var(--ink)',
  more: 'url(#state-stopped)',
  less: 'var(--run)',
} as const

const List = styled.ol`
  display: grid;
  margin-top: 10px;

  li {
    min-width: 0;
  }
`

const Drawing = styled.svg`
  display: block;
  width: 100%;
`

const Caption = styled.div`
  display: grid;
  gap: 0;
  padding: 4px 8px 0 0;
  font-size: 12px;

  span {
    color: var(--ink-2);
    overflow-wrap: anywhere;
  }
  b[data-kind='more'] {
    color: var(--leak);
  }
  b[data-kind='less'] {
    color: var(--save);
  }
`
