'use client'

import styled from 'styled-components'
import { FOLDS, type Fold } from '../../core/ledger/fold.ts'
import { METERS, type Meter } from '../../core/meter/charge.ts'
import { POWER_STATES } from '../../core/off/powerState.ts'
import { StateSwatch } from '../../interface/StateSwatch'
import { ToggleRow } from '../../interface/ToggleRow'
import { METER_NAMES } from '../../wording/charge'
import { STATE_NAMES } from '../../wording/state'
import { useWorkbench } from '../workbench/WorkbenchContext'
import type { LedgerAddress } from '../workbench/address.ts'

const FOLD_NAMES = {
  time: 'in time order',
  meter: 'by meter',
  part: 'kept, asked for, leak',
  day: 'by day',
  machine: 'by machine',
} as const satisfies Record<Fold, string>

/** Whose charges, in what order, and which of them. The address holds it all. */
export function LedgerBar({ meters }: { readonly meters: ReadonlySet<Meter> | undefined }) {
  const { address, mend, machine, book } = useWorkbench()
  const { ledger } = address
  const change = (part: Partial<LedgerAddress>): void => mend({ ledger: { ...ledger, ...part } })
  const shown = METERS.filter((meter) => !meters || meters.has(meter) || ledger.meters.includes(meter))
  const states = POWER_STATES.filter((state) => ledger.of === 'plan' || !book || book.states[state])
  return (
    <Bar>
      <ToggleRow
        label="Whose charges"
        mode="one"
        options={[
          { id: 'machine', label: machine?.name ?? 'this machine' },
          { id: 'plan', label: 'whole plan' },
        ]}
        chosen={[ledger.of]}
        onChange={([of]) => of && change({ of })}
      />
      <ToggleRow
        label="Order"
        mode="one"
        options={FOLDS.filter((fold) => fold !== 'machine' || ledger.of === 'plan').map((id) => ({
          id,
          label: FOLD_NAMES[id],
        }))}
        chosen={[ledger.fold]}
        onChange={([fold]) => fold && change({ fold })}
      />
      <ToggleRow
        label="Only these meters"
        mode="any"
        options={shown.map((id) => ({ id, label: METER_NAMES[id] }))}
        chosen={ledger.meters}
        onChange={(chosen) => change({ meters: chosen })}
      />
      <ToggleRow
        label="Only in these states"
        mode="any"
        options={states.map((id) => ({
          id,
          label: (
            <>
              <StateSwatch state={id} />
              {STATE_NAMES[id]}
            </>
          ),
        }))}
        chosen={ledger.states}
        onChange={(chosen) => change({ states: chosen })}
      />
    </Bar>
  )
}

const Bar = styled.section`
  display: flex;
  flex-wrap: wrap;
  gap: 6px 12px;
  margin: 10px 0;
`
