'use client'

import { useEffect, useRef, useState } from 'react'
import styled from 'styled-components'
import { Button } from '../../interface/Button'
import { Dialog } from '../../interface/Dialog'
import { NumberInput } from '../../interface/NumberInput'
import { MISHAP_KINDS, USUAL_RATES, type MishapKind } from '../../rehearsal/mishap.ts'
import type { RehearsalQuestion } from '../../rehearsal/rehearseBill.ts'
import type { SpreadQuestion } from '../../rehearsal/rehearsalSpread.ts'
import { rehearsalAsker } from '../../workers/askers.ts'
import { useAnswer } from '../../workers/useAnswer.ts'
import { formatMonth } from '../../wording/time'
import { useWorkbench } from '../workbench/WorkbenchContext'
import { BillLine } from './BillPage'
import { keepBills } from './keepBills.ts'
import { FilmPart } from './FilmPart'
import { SpreadPart } from './SpreadPart'
import { MISHAP_NAMES, MISHAP_OF } from './mishapText.ts'

type Percents = Readonly<Record<MishapKind, number>>

const percents = (of: (kind: MishapKind) => number): Percents =>
  Object.fromEntries(MISHAP_KINDS.map((kind) => [kind, of(kind)])) as Percents

const USUAL = percents((kind) => Math.round(USUAL_RATES[kind] * 100))
const NOTHING = percents(() => 0)
const MOST_SEED = 9_999
const REHEARSALS = 100

/** How often what goes wrong in a rehearsed month; the same number befalls the same machines again. */
export function RehearseDialog({ onClose }: { readonly onClose: () => void }) {
  const { session, state, month } = useWorkbench()
  const { plan, books } = state
  const [rates, setRates] = useState(USUAL)
  const [seed, setSeed] = useState(1)
  const [asked, setAsked] = useState<RehearsalQuestion>()
  const { answer, isStale, failure, cancel } = useAnswer(rehearsalAsker, asked)
  const done = isStale ? undefined : answer
  const kept = useRef<typeof done>(undefined)
  useEffect(() => {
    // Once for each rehearsal.
    if (!done || kept.current === done) return
    kept.current = done
    void keepBills(session, done, `rehearsal ${seed}`, 'rehearsed').then(onClose)
  }, [done, session, seed, onClose])
  const isBusy = asked !== undefined && !done && failure === undefined
  const shares = Object.fromEntries(MISHAP_KINDS.map((kind) => [kind, rates[kind] / 100]))
  const begin = (number = seed): void => {
    setSeed(number)
    setAsked({ plan, books, month, seed: number, rates: shares })
  }
  const [spread, setSpread] = useState<SpreadQuestion>()
  const [film, setFilm] = useState<RehearsalQuestion>()
  if (film) {
    return (
      <Dialog title={`Rehearsal ${seed} of ${formatMonth(month)}`} isOpen onClose={onClose} wide>
        {failure !== undefined && <p role="alert">{failure}</p>}
        <FilmPart question={film} onBill={() => begin()} onClose={() => setFilm(undefined)} />
      </Dialog>
    )
  }
  return (
    <Dialog title={`Rehearse ${formatMonth(month)}`} isOpen onClose={onClose}>
      <p>
        The plan runs on a practice provider that keeps its own log and meters by it. Whatever you let go
        wrong is found again in its bill.
      </p>
      <List>
        {MISHAP_KINDS.map((kind) => (
          <li key={kind}>
            <span>{MISHAP_NAMES[kind]}</span>
            <NumberInput
              label={MISHAP_NAMES[kind]}
              unit={`% ${MISHAP_OF[kind]}`}
              value={rates[kind]}
              step={1}
              most={100}
              onChange={(value) => setRates({ ...rates, [kind]: value })}
            />
          </li>
        ))}
        <li>
          <span>Which month of all that could be: the same number lets the same happen</span>
          <NumberInput
            label="Rehearsal"
            unit=""
            value={seed}
            step={1}
            least={1}
            most={MOST_SEED}
            onChange={setSeed}
          />
        </li>
      </List>
      {failure !== undefined && <p role="alert">{failure}</p>}
      <BillLine>
        <Button onPress={() => begin()} isDisabled={isBusy}>
          {isBusy ? 'Rehearsing…' : 'Rehearse'}
        </Button>
        <Button onPress={() => setFilm({ plan, books, month, seed, rates: shares })}>Watch it</Button>
        <Button onPress={() => setSpread({ plan, books, month, rates: shares, count: REHEARSALS })}>
          Rehearse it a hundred times
        </Button>
        <Button onPress={() => setRates(NOTHING)}>Nothing goes wrong</Button>
        <Button onPress={() => setRates(USUAL)}>As usual</Button>
        <Button
          onPress={() => {
            cancel()
            onClose()
          }}
        >
          Cancel
        </Button>
      </BillLine>
      {spread && <SpreadPart question={spread} onPick={begin} onCancel={() => setSpread(undefined)} />}
    </Dialog>
  )
}

const List = styled.ul`
  display: grid;
  gap: 4px;

  li {
    display: grid;
    grid-template-columns: minmax(0, 1fr) 170px;
    gap: 10px;
    align-items: baseline;
    padding-bottom: 4px;
    border-bottom: 1px solid var(--rule);
  }
`
