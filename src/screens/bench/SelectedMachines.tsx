'use client'

import { useMemo, useState } from 'react'
import styled from 'styled-components'
import { bookFor } from '../../core/catalogue/bookFor.ts'
import { copyNames } from '../../core/wholePlan/changeMany.ts'
import { copiesOf } from '../../core/wholePlan/inSeveralZones.ts'
import { alike, quantityChange } from '../../core/wholePlan/quantity.ts'
import { MOST_MACHINES } from '../../core/machine/plan.ts'
import { Button, QuietButton } from '../../interface/Button'
import { Menu } from '../../interface/Menu'
import { NumberInput } from '../../interface/NumberInput'
import { addMachines } from '../../store/commands.ts'
import { useWorkbench } from '../workbench/WorkbenchContext'
import { ChangeMany, MANY_KINDS, type ManyKind } from './ChangeMany'
import { DeleteMany } from './DeleteMany'

interface SelectedMachinesProps {
  readonly selected: ReadonlySet<string>
  readonly onSelect: (selected: ReadonlySet<string>) => void
}

const COPIES = [1, 2, 5, 10, 20]

/** What can be done with the machines that are ticked, all at once. */
export function SelectedMachines({ selected, onSelect }: SelectedMachinesProps) {
  const { session, state, month } = useWorkbench()
  const { plan } = state
  const [asks, setAsks] = useState<ManyKind | 'delete'>()
  const [surplus, setSurplus] = useState<ReadonlySet<string>>()
  const [only] = selected.size === 1 ? [...selected] : []
  const machine = plan.machines.find(({ name }) => name === only)
  const quantity = useMemo(() => (only === undefined ? 0 : alike(only, plan).length), [only, plan])
  const copy = (count: number): void => {
    if (!machine) return
    const names = copyNames(machine.name, count, plan)
    add(names, `${count} ${count === 1 ? 'copy' : 'copies'} of ${machine.name}`)
    onSelect(new Set(names))
  }
  const add = (names: readonly string[], label: string): void => {
    if (!machine) return
    const index = bookFor(machine.provider, state.books, month)
    const region = index.ok ? index.value.regions.get(machine.region) : undefined
    session.edit(label, addMachines(copiesOf(machine, names, plan, region)))
  }
  const setQuantity = (quantity: number): void => {
    if (!machine || quantity < 1) return
    const change = quantityChange(machine.name, quantity, plan)
    if (change.add.length > 0) add(change.add, `${machine.name}: ${quantity} of it`)
    if (change.remove.length > 0) setSurplus(new Set(change.remove))
  }
  return (
    <Bar role="group" aria-label="Selected machines">
      <b>{selected.size === 1 ? only : `${selected.size} machines`} selected</b>
      <Menu
        label="Change the selected machines"
        button="Change ▾"
        entries={Object.entries(MANY_KINDS).map(([id, label]) => ({
          id,
          label: `${label}…`,
          onAction: () => setAsks(id as ManyKind),
        }))}
      />
      {machine && (
        <Menu
          label={`Copy ${machine.name}`}
          button="Copy ▾"
          entries={COPIES.map((count) => ({
            id: String(count),
            label: count === 1 ? 'once' : `${count} times`,
            disabled: plan.machines.length + count > MOST_MACHINES,
            onAction: () => copy(count),
          }))}
        />
      )}
      {machine && (
        <NumberInput
          label={`Quantity of ${machine.name}`}
          unit="of it"
          value={quantity}
          step={1}
          least={1}
          most={quantity + MOST_MACHINES - plan.machines.length}
          onChange={setQuantity}
        />
      )}
      <Button onPress={() => setAsks('delete')}>Delete…</Button>
      <QuietButton onPress={() => onSelect(new Set())}>Select none</QuietButton>
      {asks !== undefined && asks !== 'delete' && (
        <ChangeMany kind={asks} names={selected} onClose={() => setAsks(undefined)} />
      )}
      {asks === 'delete' && <DeleteMany names={selected} onClose={() => setAsks(undefined)} />}
      {surplus && <DeleteMany names={surplus} onClose={() => setSurplus(undefined)} />}
    </Bar>
  )
}

const Bar = styled.div`
  position: sticky;
  top: -12px;
  z-index: 2;
  display: flex;
  flex-wrap: wrap;
  gap: 8px;
  align-items: center;
  margin: 8px 0;
  padding: 6px 10px;
  border: 1px solid var(--ink);
  background: var(--sheet);
`
