'use client'

import styled from 'styled-components'
import type { GapAdvice } from '../../core/advice/gapAdvice.ts'
import type { PayingLengths } from '../../core/advice/payingLengths.ts'
import { STATE_FILL } from '../../interface/StatePatterns'
import { media } from '../../interface/theme/media'
import { formatDuration } from '../../wording/time'
import { WAY_NAMES } from './gapText.ts'

/** Minutes that are written on the ruler. */
const MARKS: readonly (readonly [number, string])[] = [
  [1, '1 min'], [5, '5'], [20, '20'], [60, '1 h'], [180, '3'], [480, '8'], [1_440, '1 day'], [4_320, '3'], [10_080, '7'], [30_240, '21'],
] // prettier-ignore

const ROW = 24
const BAR = 14

interface PayingRulerProps {
  readonly paying: PayingLengths
  readonly advice: readonly GapAdvice[]
}

/** Lengths of a gap on a ruler: from where each state costs less than staying on, and where the plan's own gaps lie. */
export function PayingRuler({ paying, advice }: PayingRulerProps) {
  const { ways, cheapest, longestMinutes } = paying
  const x = (minutes: number): string => `${(Math.log(minutes) / Math.log(longestMinutes)) * 100}%`
  const width = (from: number, to: number): string =>
    `${(Math.log(to / from) / Math.log(longestMinutes)) * 100}%`
  return (
    <Figure>
      <figcaption>From which length of a gap each state costs less than staying on</figcaption>
      <Grid>
        {ways.map(({ off, fromMinutes, willDo }) => (
          <Line key={off}>
            <span>{WAY_NAMES[off]}</span>
            <svg width="100%" height={ROW} aria-hidden="true">
              <line x1="0" x2="100%" y1={ROW / 2} y2={ROW / 2} stroke="var(--rule)" />
              {fromMinutes !== undefined && (
                <rect
                  x={x(fromMinutes)}
                  y={(ROW - BAR) / 2}
                  width={width(fromMinutes, longestMinutes)}
                  height={BAR}
                  fill={STATE_FILL[off]}
                  fillOpacity={willDo ? 1 : 0.35}
                />
              )}
              {cheapest.map((step, i) =>
                step.off === off ? (
                  <rect
                    key={step.fromMinutes}
                    x={x(step.fromMinutes)}
                    y={(ROW - BAR) / 2 - 3}
                    width={width(step.fromMinutes, cheapest[i + 1]?.fromMinutes ?? longestMinutes)}
                    height={BAR + 6}
                    fill="none"
                    stroke="var(--run)"
                    strokeWidth={2}
                  />
                ) : null,
              )}
              {advice.map(({ length }) => (
                <line
                  key={length}
                  x1={x(length / 60)}
                  x2={x(length / 60)}
                  y1="0"
                  y2="100%"
                  stroke="var(--ink)"
                  strokeWidth={1.5}
                />
              ))}
            </svg>
            <small>
              {fromMinutes === undefined ? 'never pays' : `from ${formatDuration(fromMinutes * 60)}`}
              {!willDo && ', closed'}
            </small>
          </Line>
        ))}
        <Line aria-hidden="true">
          <span />
          <Marks>
            {MARKS.map(([minutes, text]) => (
              <i key={minutes} style={{ left: x(minutes) }}>
                {text}
              </i>
            ))}
          </Marks>
          <small />
        </Line>
      </Grid>
      <Legend>Upright lines: the gaps of this week. Framed: the cheapest state that is not closed.</Legend>
    </Figure>
  )
}

const Figure = styled.figure`
  margin: 10px 0 0;
  font-size: 12px;
`

const Grid = styled.div`
  display: grid;
  grid-template-columns: auto minmax(0, 1fr) auto;
  column-gap: 10px;
  margin-top: 2px;
`

const Line = styled.div`
  grid-column: 1 / -1;
  display: grid;
  grid-template-columns: subgrid;
  align-items: center;

  svg {
    overflow: visible;
  }
  span {
    color: var(--ink);
  }
  small {
    font-size: 12px;
    white-space: nowrap;
  }
`

const Marks = styled.div`
  position: relative;
  height: 16px;

  i {
    position: absolute;
    transform: translateX(-50%);
    font-style: normal;
    font-size: 11px;
    white-space: nowrap;
  }
  ${media.narrow} {
    i:nth-child(even):not(:last-child) {
      display: none;
    }
  }
  i:first-child {
    transform: none;
  }
  i:last-child {
    transform: translateX(-100%);
  }
`

const Legend = styled.p`
  margin: 2px 0 0;
`
