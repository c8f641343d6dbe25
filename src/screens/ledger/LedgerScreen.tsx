'use client'

import { useMemo, useState } from 'react'
import styled from 'styled-components'
import { filterLedger, sumsOf } from '../../core/ledger/foldLedger.ts'
import type { PlanLedger } from '../../core/ledger/planLedger.ts'
import { Button } from '../../interface/Button'
import { media } from '../../interface/theme/media'
import { useWorkbench } from '../workbench/WorkbenchContext'
import { ChargePanel } from './ChargePanel'
import { LedgerBar } from './LedgerBar'
import { LedgerGrid } from './LedgerGrid'
import { ledgerZone } from './ledgerZone.ts'
import { LedgerTotals } from './LedgerTotals'
import type { Picked } from './picked.ts'
import { useLedger } from './useLedger.ts'

/** Every charge of the month; the one that is picked opens to its arithmetic and its rate. */
export function LedgerScreen() {
  const { state, address, machine } = useWorkbench()
  const timeZone = ledgerZone(state.plan, address.ledger.of === 'machine' ? machine : undefined)
  const ledger = useLedger(timeZone)
  if (ledger.ready) return <ReadyLedger answer={ledger.ready} timeZone={timeZone} />
  return (
    <>
      <LedgerBar meters={undefined} />
      {ledger.failure || ledger.isCancelled ? (
        <Waiting role="alert">
          {ledger.failure ?? 'The ledger was not laid out.'}
          <Button onPress={ledger.again}>Lay it out</Button>
        </Waiting>
      ) : (
        <Waiting role="status">
          Laying out the month of {state.plan.machines.length} machines…
          <Button onPress={ledger.cancel}>Cancel</Button>
        </Waiting>
      )}
    </>
  )
}

interface ReadyLedgerProps {
  readonly answer: PlanLedger
  readonly timeZone: string
}

function ReadyLedger({ answer, timeZone }: ReadyLedgerProps) {
  const { address } = useWorkbench()
  const { meters, states } = address.ledger
  const { ledger, unpriced } = answer
  const [picked, setPicked] = useState<{ readonly of: PlanLedger; readonly picked: Picked }>()
  const rows = useMemo(
    () => filterLedger(ledger, { meters: new Set(meters), states: new Set(states) }),
    [ledger, meters, states],
  )
  const sums = useMemo(() => sumsOf(ledger, rows), [ledger, rows])
  const present = useMemo(() => new Set(ledger.lines.map(({ charge }) => charge.meter)), [ledger])
  const shown = picked?.of === answer ? picked.picked : undefined
  return (
    <>
      <LedgerBar meters={present} />
      <Split>
        <Table>
          <LedgerGrid
            answer={answer}
            rows={rows}
            timeZone={timeZone}
            picked={shown}
            onPick={(next) => setPicked({ of: answer, picked: next })}
          />
          <LedgerTotals
            answer={answer}
            rows={rows}
            sums={sums}
            unpriced={unpriced}
            filtered={meters.length + states.length > 0}
            timeZone={timeZone}
          />
        </Table>
        <ChargePanel answer={answer} picked={shown} timeZone={timeZone} />
      </Split>
    </>
  )
}

const Split = styled.div`
  display: grid;
  grid-template-columns: minmax(0, 1fr) 316px;
  gap: 16px;
  flex: 1;
  min-height: 0;
  ${media.compact} {
    grid-template-columns: minmax(0, 1fr) 270px;
    gap: 12px;
  }
  ${media.narrow} {
    grid-template-columns: minmax(0, 1fr);
  }
`

const Table = styled.div`
  display: flex;
  flex-direction: column;
  gap: 6px;
  min-height: 0;
  min-width: 0;
  ${media.narrow} {
    height: 80vh;
  }
`

const Waiting = styled.div`
  display: flex;
  gap: 14px;
  align-items: center;
  padding: 30px 0;
  color: var(--ink-2);
`
