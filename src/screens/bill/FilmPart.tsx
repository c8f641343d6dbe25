'use client'

import { memo, useMemo } from 'react'
import { Slider, SliderThumb, SliderTrack } from 'react-aria-components'
import styled from 'styled-components'
import { parseDecimal } from '../../core/quantity/decimal.ts'
import type { Exact } from '../../core/quantity/exact.ts'
import { instant } from '../../core/quantity/units.ts'
import { Button } from '../../interface/Button'
import { STATE_FILL } from '../../interface/StatePatterns'
import { ToggleRow } from '../../interface/ToggleRow'
import { useReducedMotion } from '../../interface/useMedia'
import type { FilmedMachine, MoneyCourse, RehearsalFilm } from '../../rehearsal/rehearsalFilm.ts'
import type { RehearsalQuestion } from '../../rehearsal/rehearseBill.ts'
import { filmAsker } from '../../workers/askers.ts'
import { useAnswer } from '../../workers/useAnswer.ts'
import { instantText } from '../../wording/instantText.ts'
import { formatMoney, SHOWN_DECIMALS } from '../../wording/money'
import { STATE_NAMES } from '../../wording/state'
import { BillLine, BillTable } from './BillPage'
import { happenedText } from './mishapText.ts'
import { FILM_SPEEDS, useFilmClock } from './useFilmClock.ts'

interface FilmPartProps {
  readonly question: RehearsalQuestion
  /** The month is over: its bill is to be read. */
  readonly onBill: () => void
  readonly onClose: () => void
}

/** A rehearsed month as it happens: states of all machines by the hour, money running, and what goes wrong. */
export function FilmPart({ question, onBill, onClose }: FilmPartProps) {
  const { answer, isStale, failure, again } = useAnswer(filmAsker, question)
  const film = isStale ? undefined : answer
  return (
    <>
      {failure !== undefined && (
        <p role="alert">
          {failure} <Button onPress={again}>Try again</Button>
        </p>
      )}
      {!film && failure === undefined && <p aria-busy="true">Rehearsing…</p>}
      {film && film.hours === 0 && <p>No machine of the plan has a price in this month.</p>}
      {film && film.hours > 0 && <Film film={film} />}
      <BillLine>
        <Button onPress={onBill}>Read its bill</Button>
        <Button onPress={onClose}>Back</Button>
      </BillLine>
    </>
  )
}

const A_DAY = 24
const HOUR = 3_600

function Film({ film }: { readonly film: RehearsalFilm }) {
  const { from, hours, currency, timeZone, machines, mishaps } = film
  const clock = useFilmClock(hours)
  const isStill = useReducedMotion()
  const { at } = clock
  const now = from + at * HOUR
  const happened = mishaps.filter((each) => each.at < now)
  const next = mishaps.find((each) => each.at >= now)
  const last = happened.at(-1)
  return (
    <Parts data-testid="film">
      <Head>
        <b>{instantText(instant(now), timeZone)}</b>
        <span data-testid="film-money">
          <b>{moneyAt(film.spent, at, hours, currency)}</b> spent,{' '}
          {moneyAt(film.planned, at, hours, currency)} planned so far
        </span>
        <span>
          {happened.length} of {mishaps.length} mishaps
        </span>
      </Head>
      <BillLine>
        {!isStill && (
          <Button onPress={clock.isPlaying ? clock.pause : clock.play}>
            {clock.isPlaying ? 'Pause' : 'Play'}
          </Button>
        )}
        <Button onPress={() => clock.goTo(at - A_DAY)} isDisabled={at === 0}>
          A day back
        </Button>
        <Button onPress={() => clock.goTo(at + 1)} isDisabled={at >= hours}>
          An hour on
        </Button>
        <Button onPress={() => clock.goTo(at + A_DAY)} isDisabled={at >= hours}>
          A day on
        </Button>
        <Button
          onPress={() => next && clock.goTo(Math.floor((next.at - from) / HOUR) + 1)}
          isDisabled={!next}
        >
          Next mishap
        </Button>
        {!isStill && (
          <ToggleRow
            label="Speed"
            mode="one"
            options={FILM_SPEEDS.map((speed) => ({ id: String(speed), label: SPEED_NAMES[speed] }))}
            chosen={[String(clock.speed)]}
            onChange={([id]) => {
              const speed = FILM_SPEEDS.find((each) => String(each) === id)
              if (speed) clock.setSpeed(speed)
            }}
          />
        )}
      </BillLine>
      <Bar
        aria-label="Hour of the month"
        minValue={0}
        maxValue={hours}
        value={at}
        onChange={(hour) => clock.goTo(hour as number)}
      >
        <Track>
          <Thumb />
        </Track>
      </Bar>
      <p role="status">{last ? happenedText(last) : 'Nothing has gone wrong yet.'}</p>
      <Scrolled>
        <Machines>
          <tbody>
            {machines.map((machine) => (
              <tr key={machine.name}>
                <th scope="row">{machine.name}</th>
                <td>
                  <Strip machine={machine} from={from} hours={hours} />
                  <Cover style={{ left: `${(at / hours) * 100}%` }} />
                </td>
                <td>{stateAt(machine, now)}</td>
              </tr>
            ))}
          </tbody>
        </Machines>
      </Scrolled>
    </Parts>
  )
}

const SPEED_NAMES = { 1: 'slow', 6: 'quick', 24: 'a day a tick' } as const

/** At the end the very sum; until then as it runs up. */
function moneyAt({ byHour, total }: MoneyCourse, at: number, hours: number, currency: string): string {
  const amount: Exact =
    at >= hours ? total : (parseDecimal((byHour[at - 1] ?? 0).toFixed(SHOWN_DECIMALS)) ?? total)
  return formatMoney(amount, currency)
}

const stateAt = ({ stays, isPlanned }: FilmedMachine, now: number): string => {
  const state = stays.findLast((stay) => stay.from <= now)?.state
  const said = state === undefined ? 'not there yet' : STATE_NAMES[state].toLowerCase()
  return isPlanned ? said : `${said}, not in the plan`
}

interface StripProps {
  readonly machine: FilmedMachine
  readonly from: number
  readonly hours: number
}

/** Drawn once; what is still to come is covered. */
const Strip = memo(function Strip({ machine, from, hours }: StripProps) {
  const rects = useMemo(
    () =>
      machine.stays.map(({ from: begins, state }, i) => {
        const ends = machine.stays[i + 1]?.from ?? from + hours * HOUR
        const x = Math.max(0, (begins - from) / HOUR)
        return { x, width: Math.max(0, (ends - from) / HOUR - x), fill: STATE_FILL[state] }
      }),
    [machine, from, hours],
  )
  return (
    <Drawing viewBox={`0 0 ${hours} 16`} preserveAspectRatio="none" aria-hidden="true">
      {rects.map(({ x, width, fill }) => (
        <rect key={x} x={x} y="1" width={width} height="14" fill={fill} />
      ))}
    </Drawing>
  )
})

const Parts = styled.div`
  display: grid;
  gap: 10px;
  min-width: 0;
`

const Head = styled.div`
  display: flex;
  flex-wrap: wrap;
  gap: 4px 22px;
  align-items: baseline;
  font-variant-numeric: tabular-nums;
`

const Bar = styled(Slider)`
  padding: 0 8px;
`

const Track = styled(SliderTrack)`
  position: relative;
  height: 24px;

  &::before {
    content: '';
    position: absolute;
    inset: 11px 0 auto;
    height: 2px;
    background: var(--rule);
  }
`

const Thumb = styled(SliderThumb)`
  top: 12px;
  width: 10px;
  height: 20px;
  background: var(--ink);
  border-radius: 2px;

  &[data-focus-visible] {
    outline: 2px solid var(--focus);
    outline-offset: 2px;
  }
`

const Scrolled = styled.div`
  max-height: 46vh;
  overflow: auto;
`

const Machines = styled(BillTable)`
  width: 100%;
  table-layout: fixed;
  font-size: 12.5px;

  th {
    width: 160px;
  }
  td:nth-child(2) {
    position: relative;
    padding-right: 0;
    overflow: hidden;
  }
  td:nth-child(3) {
    width: 180px;
    padding-left: 12px;
  }
`

const Drawing = styled.svg`
  display: block;
  width: 100%;
  height: 16px;
`

const Cover = styled.div`
  position: absolute;
  inset: 0 0 0 auto;
  background: var(--sheet);
  opacity: 0.86;
  border-left: 1.5px solid var(--ink);
`
