'use client'

import { useState } from 'react'
import styled from 'styled-components'
import type { CreditCurve, CurvePoint } from '../../core/wholePlan/creditCurve.ts'
import type { OverviewPart } from '../../core/wholePlan/planOverview.ts'
import type { Credit } from '../../core/machine/plan.ts'
import { Button } from '../../interface/Button'
import { lazyPart } from '../../interface/lazyPart'
import { media } from '../../interface/theme/media'
import { lossesText } from '../../wording/loss'
import { formatDifference, formatMoney } from '../../wording/money'
import { ZERO } from '../../core/quantity/exact.ts'
import { takeChoice } from '../../store/commands.ts'
import { useWorkbench } from '../workbench/WorkbenchContext'
import { instantText } from '../../wording/instantText.ts'
import { useNotchText } from './useNotchText.ts'

const CurveChart = lazyPart(() => import('./CurveChart'), 'CurveChart', { drawing: 150 })

interface CreditTradeProps {
  readonly part: Extract<OverviewPart, { kind: 'curve' }> | undefined
  readonly pending: boolean
  readonly credit: Credit
  readonly currency: string
}

/** How long the credit lasts against how much is changed: a person picks a point, and takes the changes up to it. */
export function CreditTrade({ part, pending, credit, currency }: CreditTradeProps) {
  if (!part) return pending ? <p>Looking for what would make it last…</p> : null
  const { curve } = part
  if (curve.changes.length === 0) return <p>No change that fits makes it last longer.</p>
  // Another curve is begun at its own best point.
  return <Trade key={curve.changes.length} curve={curve} credit={credit} currency={currency} />
}

interface TradeProps {
  readonly curve: CreditCurve
  readonly credit: Credit
  readonly currency: string
}

function Trade({ curve, credit, currency }: TradeProps) {
  const { session } = useWorkbench()
  const notchText = useNotchText()
  const { changes, lossless, points } = curve
  const [picked, setPicked] = useState(() => nearestAt(points, lossless || changes.length))
  const point = points[picked]!
  const taken = changes.slice(0, point.count)
  const endText = ({ end }: CurvePoint): string =>
    end.kind === 'expires'
      ? `until it expires, ${formatMoney(end.left, currency)} left`
      : `until ${instantText(end.at, credit.timeZone)}`
  const text = `${point.count} ${point.count === 1 ? 'change' : 'changes'}: ${endText(point)}`
  return (
    <Box data-testid="credit-trade">
      <h3>What makes it last longer</h3>
      <p>
        {lossless === 0
          ? 'Every change gives something up.'
          : `The first ${lossless} cost nothing to live with: nothing is lost, nothing moves.`}{' '}
        {points.at(-1)!.end.kind === 'expires'
          ? `With ${changes.length} it lasts until it expires.`
          : 'No set of these makes it last until it expires: run fewer hours, or fewer machines.'}
      </p>
      <CurveChart
        points={points}
        picked={point.count}
        lossless={lossless}
        timeZone={credit.timeZone}
        onPick={(count) => setPicked(nearestAt(points, count))}
      />
      <Picker>
        <span>
          Changes taken <b data-testid="credit-trade-end">{text}</b>
        </span>
        <input
          type="range"
          min={0}
          max={points.length - 1}
          value={picked}
          aria-label="Changes taken"
          aria-valuetext={text}
          onChange={(event) => setPicked(Number(event.target.value))}
        />
      </Picker>
      <List>
        {taken.map((notch, i) => (
          <li key={`${notch.machine} ${notch.plate}`}>
            <span>
              <b>{notch.machine}</b>, {notchText(notch).name}
            </span>
            <small>{lossesText(notch.losses)}</small>
            <Saving>{notch.saving && formatDifference(ZERO, notch.saving)}</Saving>
            <small>{gainText(points, i)}</small>
          </li>
        ))}
      </List>
      <Button
        isDisabled={taken.length === 0}
        onPress={() =>
          session.edit(`${taken.length} changes for the credit`, (draft) => {
            for (const { machine, choice } of taken) takeChoice(machine, choice)(draft)
            return undefined
          })
        }
      >
        Take {taken.length === 1 ? 'it' : `these ${taken.length}`}
      </Button>
    </Box>
  )
}

/** The drawn point with the most changes that are no more than asked for. */
const nearestAt = (points: readonly CurvePoint[], count: number): number =>
  Math.max(
    0,
    points.findLastIndex((point) => point.count <= count),
  )

/** How much longer a change alone makes it last, where the curve has a point before and after it. */
function gainText(points: readonly CurvePoint[], change: number): string {
  const [before, after] = [change, change + 1].map((count) => points.find((point) => point.count === count))
  if (before?.end.kind !== 'used-up' || !after) return ''
  const hours = Math.round((after.end.at - before.end.at) / 3_600)
  if (hours < 1) return '+0 h'
  return hours < 48 ? `+${hours} h` : `+${Math.floor(hours / 24)} d ${hours % 24} h`
}

const Box = styled.section`
  display: grid;
  gap: 6px;
  justify-items: start;
  margin-top: 10px;

  h3 {
    font-size: 13px;
    font-weight: 640;
  }
`

const Picker = styled.label`
  display: grid;
  width: 100%;

  input {
    height: 24px;
    margin: 0 8px 0 60px;
    accent-color: var(--ink);
  }
  ${media.coarse} {
    input {
      height: 44px;
    }
  }
`

const List = styled.ul`
  width: 100%;
  max-height: 240px;
  overflow: auto;

  li {
    display: grid;
    grid-template-columns: minmax(0, 1.4fr) minmax(0, 1fr) 76px 76px;
    gap: 10px;
    padding: 3px 0;
    border-top: 1px solid var(--rule);
  }
  small {
    font-size: 12px;
    color: var(--ink-2);
  }
  small:last-child {
    text-align: right;
  }
  ${media.narrow} {
    li {
      grid-template-columns: minmax(0, 1fr) 76px;
    }
  }
`

const Saving = styled.b`
  text-align: right;
  color: var(--save);
`
