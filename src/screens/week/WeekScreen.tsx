'use client'

import { useState } from 'react'
import { ToggleButton, ToggleButtonGroup } from 'react-aria-components'
import styled from 'styled-components'
import { priceBookFor } from '../../core/catalogue/bookFor.ts'
import { drawnShutdown } from '../../core/catalogue/statesSold.ts'
import type { WeekPlan, WeekWindow } from '../../core/calendar/weekPlan.ts'
import { isNeverOff } from '../../core/off/offPlan.ts'
import { POWER_STATES, type OffState } from '../../core/off/powerState.ts'
import { Button, QuietButton } from '../../interface/Button'
import { Dropdown } from '../../interface/Dropdown'
import { PALE, STATE_FILL } from '../../interface/StatePatterns'
import { Term } from '../../interface/Term'
import { useRoomForTwo } from '../../interface/useMedia'
import { media } from '../../interface/theme/media'
import { GLOSSARY } from '../../wording/glossary'
import { offPlanWords } from '../../wording/offPlan'
import { OFF_MEANS, OFF_NAMES, STATE_NAMES } from '../../wording/state'
import { formatMonth } from '../../wording/time'
import {
  setAutoShutdown,
  setBesideZone,
  setOffPlan,
  setWeek,
  setWeekRule,
  type WeekRule,
} from '../../store/commands.ts'
import { DayByDay, DayLegend } from '../month/DayByDay'
import { useWorkbench } from '../workbench/WorkbenchContext'
import { clockChangeText } from './clockChangeText.ts'
import { ByHand } from './ByHand'
import { StartsLine } from './StartsLine'
import { AutoShutdownLine } from './AutoShutdownLine'
import { besideClock } from './besideClock.ts'
import { Exceptions } from './Exceptions'
import { Gaps } from '../gaps/Gaps'
import { ForgettingCosts } from './ForgettingCosts'
import { MonthFigures } from './MonthFigures'
import { NearSchedules } from './NearSchedules'
import { PaintedWeek } from './PaintedWeek'
import { PresetMenu } from './PresetMenu'
import { ScheduleExport } from './ScheduleExport'
import { SharedBy } from './SharedBy'
import { GRAINS, type Grain } from './usePaint'
import { WeekChoice } from './WeekChoice'
import { WeekMenu } from './WeekMenu'
import { ZonePicker } from './ZonePicker'

/** Option of the list of states for a machine whose gaps have several. */
const BY_GAP = 'by-gap'

/** The open machine's week: painted, shared, and what the month then costs. */
export function WeekScreen() {
  const { session, state, machine, book, month, result } = useWorkbench()
  const [brush, setBrush] = useState<'on' | 'off'>('on')
  const [grain, setGrain] = useState<Grain>(15)
  const [exporting, setExporting] = useState(false)
  // The gauge then stands beside, with the same month day by day.
  const isBesideGauge = useRoomForTwo()
  const { weeks } = state.plan
  const week = weeks.find(({ id }) => id === machine?.week)
  if (!machine) return null
  if (!week) return <WeekChoice />
  const { states } = book ?? {}
  const lacksShutdown = ({ autoShutdown }: WeekPlan, provider: string): boolean => {
    const theirs = priceBookFor(provider, state.books, month)
    return autoShutdown?.off !== undefined && theirs !== undefined && !theirs.states[autoShutdown.off]
  }
  const edit = (label: string, part: Partial<WeekPlan>): void =>
    session.edit(`${week.name}: ${label}`, setWeek(week.id, part))
  const setRule = (rule: WeekRule, label: string): void =>
    session.edit(`${week.name}: ${label}`, setWeekRule(week.id, rule))
  const paint = (windows: readonly WeekWindow[], label: string): void => edit(label, { windows })
  const beside = week.besideZone ? besideClock(week.timeZone, week.besideZone, month) : undefined
  const setOff = (off: string): void => {
    if (off === BY_GAP) return
    session.edit(
      `${machine.name}: ${OFF_NAMES[off as OffState]}`,
      setOffPlan(machine.name, { off: off as OffState }),
    )
  }
  const mix = machine.longGaps && { id: BY_GAP, ...offPlanWords(machine) }
  return (
    <>
      <Line>
        <WeekChoice />
        <SharedBy key={week.id} week={week} />
        <WeekMenu week={week} />
        <Button onPress={() => setExporting(true)}>Export…</Button>
        {exporting && <ScheduleExport week={week} machine={machine} onClose={() => setExporting(false)} />}
      </Line>
      <Line>
        <span>in</span>
        <ZonePicker
          key={week.id}
          label="Time zone of this week"
          value={week.timeZone}
          onChange={(timeZone) => edit('time zone', { timeZone })}
        />
        <span>{clockChangeText(week.timeZone, month)}</span>
        <Beside>
          <span>beside</span>
          <ZonePicker
            key={`${week.id} ${week.besideZone ?? ''}`}
            label="Second clock"
            value={week.besideZone}
            onChange={(besideZone) =>
              session.edit(`${week.name}: second clock`, setBesideZone(week.id, besideZone))
            }
          />
          {week.besideZone && (
            <QuietButton
              aria-label="No second clock"
              onPress={() => session.edit(`${week.name}: no second clock`, setBesideZone(week.id, undefined))}
            >
              ✕
            </QuietButton>
          )}
        </Beside>
      </Line>
      <Line>
        <span>Paint</span>
        <Brushes
          aria-label="What painting does"
          selectionMode="single"
          disallowEmptySelection
          selectedKeys={[brush]}
          onSelectionChange={(keys) => setBrush([...keys][0] === 'off' ? 'off' : 'on')}
        >
          <Brush id="on">
            <Swatch state="running" /> On
          </Brush>
          <Brush id="off">
            <Swatch state={machine.off} pale={machine.off === 'running'} /> Off
          </Brush>
        </Brushes>
        <Term meaning={GLOSSARY['when off']}>when off</Term>
        <Dropdown
          label="When off"
          value={mix?.id ?? machine.off}
          options={[
            ...(mix ? [{ ...mix, note: mix.about }] : []),
            ...POWER_STATES.filter((off) => states?.[off]).map((off) => ({
              id: off,
              name: OFF_NAMES[off],
              note: OFF_MEANS[off],
            })),
          ]}
          onChange={setOff}
        />
        <Aside>
          <PresetMenu week={week} month={month} onPaint={paint} />
          <span>snaps to</span>
          <Dropdown
            label="Painting snaps to"
            value={String(grain)}
            options={GRAINS.map((minutes) => ({ id: String(minutes), name: `${minutes} min` }))}
            onChange={(minutes) => setGrain(GRAINS.find((each) => String(each) === minutes) ?? 15)}
          />
        </Aside>
      </Line>
      <PaintedWeek
        week={week.id}
        off={machine}
        brush={brush === 'on'}
        grain={grain}
        beside={beside}
        shutdown={drawnShutdown(week, book)}
        onPaint={paint}
      />
      {isNeverOff(machine) && (
        <Hint>
          This machine is never switched off, so its week changes nothing. Choose another state when off to
          use it.
        </Hint>
      )}
      <StartsLine week={week} result={result} onChange={setRule} />
      {week.habits && (
        <ByHand
          habits={week.habits}
          result={result}
          onChange={(habits, label) => setRule({ habits }, label)}
        />
      )}
      <AutoShutdownLine
        week={week}
        unable={state.plan.machines
          .filter((each) => each.week === week.id && !isNeverOff(each) && lacksShutdown(week, each.provider))
          .map(({ name }) => name)}
        onChange={(autoShutdown, label) =>
          session.edit(`${week.name}: ${label}`, setAutoShutdown(week.id, autoShutdown))
        }
      />
      <Exceptions week={week} onChange={(exceptions, label) => edit(label, { exceptions })} />
      {result?.ok && <ForgettingCosts priced={result} />}
      {result?.ok && <Gaps priced={result} />}
      <NearSchedules week={week} />
      {result?.ok && !isBesideGauge && (
        <Month>
          <h2>
            {formatMonth(month)}, day by day
            <MonthFigures />
            <DayLegend />
          </h2>
          <DayByDay priced={result} leastHeight={124} />
        </Month>
      )}
    </>
  )
}

interface SwatchProps {
  readonly state: OffState
  /** As the week draws a machine that runs outside its windows too. */
  readonly pale?: boolean
}

function Swatch({ state, pale }: SwatchProps) {
  return (
    <svg width="16" height="16" role="img" aria-label={STATE_NAMES[state]}>
      <rect width="16" height="16" fill={STATE_FILL[state]} fillOpacity={pale ? PALE : 1} />
    </svg>
  )
}

const Line = styled.div`
  display: flex;
  flex-wrap: wrap;
  gap: 6px 10px;
  align-items: center;
  margin-top: 8px;
  color: var(--ink-2);
`

const Brushes = styled(ToggleButtonGroup)`
  display: flex;
  gap: 4px;
`

const Brush = styled(ToggleButton)`
  display: inline-flex;
  gap: 7px;
  align-items: center;
  min-height: 28px;
  padding: 3px 10px 3px 6px;
  border: 1px solid var(--rule);
  border-radius: 3px;
  background: var(--sheet);
  cursor: pointer;

  &[data-selected] {
    border-color: var(--ink);
    box-shadow: inset 0 0 0 1px var(--ink);
    color: var(--ink);
    font-weight: 600;
  }
  ${media.coarse} {
    min-height: 44px;
  }
`

const Aside = styled.span`
  display: inline-flex;
  gap: 8px;
  align-items: center;
  margin-left: auto;
`

const Beside = styled.span`
  display: inline-flex;
  gap: 6px;
  align-items: center;
  margin-left: auto;
`

const Hint = styled.p`
  margin-top: 6px;
  padding: 6px 10px;
  border-left: 4px solid var(--held);
  background: var(--paper);
`

const Month = styled.section`
  flex: 1;
  display: flex;
  flex-direction: column;
  margin-top: 12px;
  padding-top: 8px;
  border-top: 1px solid var(--rule);

  h2 {
    display: flex;
    gap: 10px;
  }
`
