'use client'

import { useLayoutEffect, useMemo, useRef, useState } from 'react'
import styled from 'styled-components'
import { platesOf, type Notch } from '../../core/notches/plates.ts'
import { DECISIONS } from '../../core/machine/choice.ts'
import type { MachineResult } from '../../core/meter/planPricing.ts'
import { media } from '../../interface/theme/media'
import { formatMoney, formatAmount, formatHourly } from '../../interface/wording/money'
import { choiceWords } from '../../interface/wording/choice'
import { formatHours } from '../../interface/wording/time'
import { takeChoice } from '../../store/commands.ts'
import { DayByDay, DayLegend } from '../month/DayByDay'
import { useWorkbench } from '../workbench/WorkbenchContext'
import { costAxis, type CostAxis } from './axis.ts'
import { GaugePlate } from './GaugePlate'
import { NeedsLine } from './NeedsLine'

/** One machine's decisions as plates on one cost axis. */
export function Gauge() {
  const { machine, result } = useWorkbench()
  return (
    <>
      {machine && <NeedsLine machine={machine} result={result} />}
      {result?.ok && <Plates result={result} />}
    </>
  )
}

function Plates({ result }: { readonly result: MachineResult & { readonly ok: true } }) {
  const { session, state } = useWorkbench()
  const { resolved, estimate, month, account } = result
  const shared = account.planned
  const { weeks } = state.plan
  const plates = useMemo(() => platesOf({ resolved, weeks, month, shared }), [resolved, weeks, month, shared])
  const [stack, width] = useWidth()
  const axis = useMemo(() => costAxis(plates, width), [plates, width])
  const take = ({ choice }: Notch): void => {
    const { name } = choiceWords(choice, resolved, weeks)
    session.edit(`${resolved.machine.name}: ${name}`, takeChoice(resolved.machine.name, choice))
  }
  const focusPlate = (at: number): void => {
    const wanted = DECISIONS[Math.min(DECISIONS.length - 1, Math.max(0, at))]
    document.querySelector<HTMLElement>(`[data-plate="${wanted}"] [role="slider"]`)?.focus()
  }
  return (
    <>
      <Stack aria-label="Decisions about this machine">
        {plates.map((plate, at) => (
          <GaugePlate
            key={plate.decision}
            plate={plate}
            axis={axis}
            resolved={resolved}
            weeks={weeks}
            currency={estimate.currency}
            month={month}
            onTake={take}
            onGoToPlate={(step) => focusPlate(at + step)}
          />
        ))}
        <ScaleRow>
          <div ref={stack}>
            <Scale
              axis={axis}
              label={`${formatMoney(estimate.total, estimate.currency)} a month`}
              hourly={`${formatHourly(estimate.total, month)} an hour`}
            />
          </div>
        </ScaleRow>
      </Stack>
      <Days>
        <h2>
          Day by day{' '}
          <Small>
            {formatHours(estimate.onTime)} on, {estimate.starts} starts,{' '}
            {formatMoney(estimate.total, estimate.currency)}
          </Small>
          <DayLegend />
        </h2>
        <DayByDay resolved={resolved} estimate={estimate} leastHeight={92} />
      </Days>
    </>
  )
}

/** The width of the axis, kept true as the window changes. */
function useWidth(): readonly [React.RefObject<HTMLDivElement | null>, number] {
  const ref = useRef<HTMLDivElement>(null)
  const [width, setWidth] = useState(560)
  useLayoutEffect(() => {
    if (!ref.current) return
    const measure = new ResizeObserver(([entry]) => {
      if (entry) setWidth(Math.max(200, Math.floor(entry.contentRect.width)))
    })
    setWidth(Math.max(200, Math.floor(ref.current.getBoundingClientRect().width)))
    measure.observe(ref.current)
    return () => measure.disconnect()
  }, [])
  return [ref, width]
}

function Scale({
  axis,
  label,
  hourly,
}: {
  readonly axis: CostAxis
  readonly label: string
  readonly hourly: string
}) {
  return (
    <svg width={axis.width} height={36} style={{ display: 'block', overflow: 'visible' }} aria-hidden="true">
      <path d={`M${axis.line} 0v7`} stroke="var(--ink)" strokeWidth={1.5} />
      {axis.ticks.map(({ difference, x }) => (
        <g key={difference}>
          <path d={`M${x} 0v5`} stroke="var(--ink-3)" />
          <text x={x} y={17} fontSize={11} textAnchor="middle" fill="var(--ink-3)">
            {difference > 0 ? '+' : '−'}
            {formatAmount({ n: BigInt(Math.abs(difference)), d: 1n }, 0)}
          </text>
        </g>
      ))}
      <text x={axis.line} y={20} fontSize={12} fontWeight={640} textAnchor="middle" fill="var(--ink)">
        {label}
      </text>
      <text x={axis.line} y={33} fontSize={11} textAnchor="middle" fill="var(--ink-2)">
        {hourly}
      </text>
      <text x={0} y={32} fontSize={11} fill="var(--save)">
        ← cheaper
      </text>
      <text x={axis.width} y={32} fontSize={11} textAnchor="end" fill="var(--ink-2)">
        dearer →
      </text>
    </svg>
  )
}

const Stack = styled.section`
  border-bottom: 1px solid var(--rule);
`

const ScaleRow = styled.div`
  display: grid;
  grid-template-columns: 142px minmax(0, 1fr);
  border-top: 1px solid var(--rule);

  & > div {
    grid-column: 2;
  }
  ${media.compact} {
    grid-template-columns: 122px minmax(0, 1fr);
  }
`

const Days = styled.section`
  flex: 1;
  display: flex;
  flex-direction: column;
  gap: 4px;
  padding-top: 10px;

  h2 {
    display: flex;
  }
`

const Small = styled.span`
  font-weight: 400;
  margin-left: 6px;
`
