'use client'

import type { CSSProperties } from 'react'
import { ToggleButton, ToggleButtonGroup } from 'react-aria-components'
import styled from 'styled-components'
import type { DistinctGap } from '../../core/advice/distinctGaps.ts'
import type { GapAdvice, WayForGap } from '../../core/advice/gapAdvice.ts'
import { POWER_STATES, type OffState } from '../../core/off/powerState.ts'
import { sign, subtract, type Exact } from '../../core/quantity/exact.ts'
import { StateSwatch } from '../../interface/StateSwatch'
import { media } from '../../interface/theme/media'
import { formatMoney } from '../../wording/money'
import { formatDuration } from '../../wording/time'
import { gapNotes, wayLabel, WAY_NAMES } from './gapText.ts'

interface GapTableProps {
  readonly advice: readonly GapAdvice[]
  /** The machine's month as it is. */
  readonly total: Exact
  readonly currency: string
  readonly isStale: boolean
  readonly onTake: (gap: DistinctGap, off: OffState) => void
}

/** A row for each distinct gap, a column for each state: what one such gap costs in it. A press takes it. */
export function GapTable({ advice, total, currency, isStale, onTake }: GapTableProps) {
  const states = POWER_STATES.filter((off) => advice[0]!.ways.some((way) => way.off === off))
  return (
    <Table style={{ '--states': states.length } as CSSProperties}>
      <Heading aria-hidden="true">
        <span>each time</span>
        {states.map((off) => (
          <span key={off}>
            <StateSwatch state={off} /> {WAY_NAMES[off]}
          </span>
        ))}
      </Heading>
      {advice.map((gap, i) => {
        const ways = states.flatMap((off) => gap.ways.find((way) => way.off === off) ?? [])
        const next = advice[i + 1]
        // What holds for several rows is said once, under the last of them.
        const notes = next && gapNotes(next) === gapNotes(gap) ? '' : gapNotes(gap)
        return (
          <Row key={gap.length} data-testid="gap">
            <Gap>
              {formatDuration(gap.length)}
              <small>{timesText(gap)}</small>
            </Gap>
            <Ways
              aria-label={`When off for ${formatDuration(gap.length)}`}
              selectionMode="single"
              disallowEmptySelection
              selectedKeys={[gap.present]}
              isDisabled={isStale}
              onSelectionChange={(keys) => {
                const off = ways.find((way) => keys.has(way.off))?.off
                if (off && off !== gap.present) onTake(gap, off)
              }}
            >
              {ways.map((way) => (
                <Way
                  key={way.off}
                  id={way.off}
                  aria-label={wayLabel(way, gap, currency)}
                  data-best={way === gap.best || undefined}
                  data-closed={way.reasons.length > 0 || undefined}
                >
                  <i>{WAY_NAMES[way.off]}</i>
                  <b>{formatMoney(way.eachTime, currency)}</b>
                  <small>{way.off === gap.present ? 'as now' : differenceText(way, total, currency)}</small>
                </Way>
              ))}
            </Ways>
            {notes && <Notes>{notes}</Notes>}
          </Row>
        )
      })}
    </Table>
  )
}

/** What reaches over the month’s edges costs it less than each of the others. */
function timesText({ count, inPart }: GapAdvice): string {
  if (inPart > 0) return count === inPart ? `${inPart} in part` : `${count - inPart} whole, ${inPart} in part`
  return count === 1 ? 'once' : `${count} times`
}

/** What the month costs more or less with it than now. */
function differenceText(way: WayForGap, total: Exact, currency: string): string {
  const difference = subtract(way.total, total)
  return `${sign(difference) >= 0 ? '+' : ''}${formatMoney(difference, currency)} a month`
}

const Table = styled.div`
  display: grid;
  grid-template-columns: minmax(96px, 1.2fr) repeat(var(--states), minmax(74px, 1fr));
  gap: 2px 4px;
  margin-top: 6px;
  ${media.narrow} {
    grid-template-columns: repeat(3, minmax(0, 1fr));
  }
`

const Heading = styled.div`
  grid-column: 1 / -1;
  display: grid;
  grid-template-columns: subgrid;
  font-size: 12px;

  span {
    display: inline-flex;
    gap: 5px;
    align-items: center;
    padding-left: 6px;
  }
  span:first-child {
    padding-left: 0;
  }
  ${media.narrow} {
    display: none;
  }
`

const Row = styled.div`
  grid-column: 1 / -1;
  display: grid;
  grid-template-columns: subgrid;
`

const Gap = styled.span`
  align-self: center;
  font-weight: 560;
  color: var(--ink);
  ${media.narrow} {
    grid-column: 1 / -1;
  }

  small {
    display: block;
    font-size: 12px;
    font-weight: 400;
    color: var(--ink-2);
  }
`

const Ways = styled(ToggleButtonGroup)`
  grid-column: 2 / -1;
  display: grid;
  grid-template-columns: subgrid;
  ${media.narrow} {
    grid-column: 1 / -1;
    gap: 4px;
  }
`

const Way = styled(ToggleButton)`
  display: grid;
  justify-items: start;
  min-height: 38px;
  padding: 2px 6px;
  border: 1px solid var(--rule);
  border-radius: 3px;
  background: var(--sheet);
  color: var(--ink);
  cursor: pointer;

  /* The head of its column, where there are no columns. */
  i {
    display: none;
    font-style: normal;
    font-size: 12px;
    color: var(--ink-2);
  }
  b {
    font-weight: 500;
  }
  small {
    font-size: 11px;
    color: var(--ink-2);
    white-space: nowrap;
  }
  &[data-hovered] {
    border-color: var(--ink-2);
  }
  &[data-selected] {
    border-color: var(--ink);
    box-shadow: inset 0 0 0 1px var(--ink);
  }
  &[data-best] {
    background: color-mix(in srgb, var(--run) 14%, var(--sheet));
  }
  &[data-best] b {
    font-weight: 700;
  }
  &[data-closed] b {
    text-decoration: line-through;
    color: var(--ink-2);
  }
  ${media.coarse} {
    min-height: 44px;
  }
  ${media.narrow} {
    i {
      display: block;
    }
    small {
      white-space: normal;
    }
  }
`

const Notes = styled.p`
  grid-column: 2 / -1;
  margin: 0 0 4px;
  padding-left: 6px;
  font-size: 12px;
  ${media.narrow} {
    grid-column: 1 / -1;
    padding-left: 0;
  }
`
