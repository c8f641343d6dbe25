'use client'

import { useMemo, useState } from 'react'
import styled from 'styled-components'
import { MOST_MACHINES } from '../../core/machine/plan.ts'
import {
  mappingProblem,
  proposedMapping,
  type InventoryMapping,
} from '../../files/inventory/inventoryFields.ts'
import { decodeTable, parseTable, type InventoryTable } from '../../files/inventory/inventoryTable.ts'
import type { AskedValue } from '../../files/inventory/inventory.ts'
import { recogniseTable } from '../../files/inventory/recogniseTable.ts'
import { Button } from '../../interface/Button'
import { Dialog } from '../../interface/Dialog'
import { Progress } from '../../interface/Progress'
import { addMachines, addWeek } from '../../store/commands.ts'
import { inventoryAsker } from '../../workers/askers.ts'
import { useAnswer } from '../../workers/useAnswer.ts'
import { officeWeek } from '../workbench/emptyPlan.ts'
import { IssueList } from '../workbench/IssueList'
import { useMachineActions } from '../workbench/useMachineActions'
import { useWorkbench } from '../workbench/WorkbenchContext'
import { AskedSizes } from './AskedSizes'
import { AskedValues } from './AskedValues'
import { InventoryRows } from './InventoryRows'
import { rememberedMeanings, rememberMeanings } from './rememberedMeanings.ts'
import { rememberedMapping, rememberMapping } from './rememberedMapping.ts'
import { TableForm } from './TableForm'
import type { TableSettings } from './tableSettings.ts'

interface InventoryDialogProps {
  readonly name: string
  readonly bytes: Uint8Array
  readonly onClose: () => void
}

/** Cells that the person mended, by row and column. */
type MendedCells = ReadonlyMap<string, string>

const cellKey = (row: number, column: number): string => `${row} ${column}`

/** A table of machines on its way into the plan: how it is written, what its columns hold, and what cannot be read. */
export function InventoryDialog({ name, bytes, onClose }: InventoryDialogProps) {
  const { session, state, month, go } = useWorkbench()
  const { plan, books } = state
  const { providers } = useMachineActions()
  const usualWeek = plan.weeks[0] ?? officeWeek('office-days', 'Office days')
  const [settings, setSettings] = useState<TableSettings>(() => ({
    ...recogniseTable(bytes),
    provider: providers[0]?.provider.id ?? '',
    week: usualWeek.id,
  }))
  const [chosen, setChosen] = useState<{ readonly columns: string; readonly mapping: InventoryMapping }>()
  const [mended, setMended] = useState<MendedCells>(new Map())
  const [confirmed, setConfirmed] = useState<ReadonlyMap<string, string>>(new Map())
  const [meant, setMeant] = useState(rememberedMeanings)
  const [added, setAdded] = useState<ReadonlySet<number>>(new Set())
  const { separator, encoding } = settings
  const read = useMemo(() => {
    const text = decodeTable(bytes, encoding)
    return text.ok ? parseTable(text.value, separator) : text
  }, [bytes, encoding, separator])
  const table = useMemo(() => (read.ok ? withMended(read.value, mended) : undefined), [read, mended])
  const columns = table?.columns.join('\u0000') ?? ''
  const mapping = useMemo(() => {
    if (!table) return []
    if (chosen?.columns === columns) return chosen.mapping
    return rememberedMapping(table.columns) ?? proposedMapping(table.columns)
  }, [table, chosen, columns])
  const unreadable = table && mappingProblem(mapping)
  const week = plan.weeks.find(({ id }) => id === settings.week) ?? usualWeek
  const { decimal, unit, provider } = settings
  const weeks = useMemo(() => (plan.weeks.length > 0 ? plan.weeks : [week]), [plan.weeks, week])
  const known = useMemo(() => ({ ...plan, weeks }), [plan, weeks])
  const asked = table &&
    !unreadable && {
      table,
      mapping,
      plan: known,
      books,
      month,
      provider,
      week,
      confirmed,
      meant,
      decimal,
      unit,
    }
  const { answer, of, isStale, step, failure, again } = useAnswer(inventoryAsker, asked || undefined)
  // What was read of other columns says nothing about these; mended cells and words leave the rows where they were.
  const isOfThese = of?.table.columns === table?.columns && of?.table.rows.length === table?.rows.length
  const inventory = asked && isOfThese ? answer : undefined
  const rows = inventory?.rows.filter(({ at }) => !added.has(at)) ?? []
  const good = rows.flatMap(({ machine }) => (machine ? [machine] : []))
  const bad = rows.filter(({ machine }) => !machine)
  const room = MOST_MACHINES - plan.machines.length
  const take = (): void => {
    if (!table) return
    rememberMapping(table.columns, mapping)
    rememberMeanings(acceptedMeanings(inventory?.values ?? [], meant))
    session.edit(`import ${good.length} machines of ${name}`, (draft) => {
      if (plan.weeks.length === 0) addWeek(week)(draft)
      addMachines(good)(draft)
      return undefined
    })
    setAdded(new Set([...added, ...rows.filter(({ machine }) => machine).map(({ at }) => at)]))
    if (bad.length === 0) {
      onClose()
      go({ view: 'bench', machine: undefined })
    }
  }
  return (
    <Dialog title={`Machines from ${name}`} isOpen onClose={onClose} wide>
      <TableForm
        settings={settings}
        onChange={setSettings}
        weeks={[...plan.weeks, ...(plan.weeks.length === 0 ? [usualWeek] : [])]}
        providers={providers}
      />
      {!read.ok && <IssueList issues={read.issues} />}
      {table && (
        <InventoryRows
          table={table}
          mapping={mapping}
          settings={settings}
          rows={inventory && rows}
          onChange={(next) => setChosen({ columns, mapping: next })}
          onMend={(row, column, text) => setMended(new Map(mended).set(cellKey(row, column), text))}
        />
      )}
      {unreadable && <Problem role="alert">{unreadable}</Problem>}
      {failure && (
        <Problem role="alert">
          {failure} <Button onPress={again}>Try again</Button>
        </Problem>
      )}
      {asked && !inventory && !failure && (
        <Progress label="Reading the rows" done={step ?? 0} of={table.rows.length} />
      )}
      {inventory && inventory.sizes.length > 0 && (
        <AskedSizes
          sizes={inventory.sizes}
          confirmed={confirmed}
          onConfirm={(key, size) => setConfirmed(new Map(confirmed).set(key, size))}
        />
      )}
      {inventory && inventory.values.length > 0 && (
        <AskedValues
          values={inventory.values}
          meant={meant}
          onMean={(key, id) => setMeant(new Map(meant).set(key, id))}
        />
      )}
      {inventory && (
        <Foot>
          <span data-testid="inventory-count">
            {added.size > 0 && `${added.size} are in the plan. `}
            {good.length} can be added
            {bad.length > 0 && `, ${bad.length} cannot be read yet: mend them above, or leave them out`}.
            {good.length > room && ` The plan has room for ${room}.`}
            {isStale && ' Reading the rows…'}
          </span>
          <Button isDisabled={isStale || good.length === 0 || good.length > room} onPress={take}>
            Add {good.length} {good.length === 1 ? 'machine' : 'machines'}
          </Button>
          <Button onPress={onClose}>{added.size > 0 ? 'Done' : 'Cancel'}</Button>
        </Foot>
      )}
      {!inventory && <Button onPress={onClose}>Cancel</Button>}
    </Dialog>
  )
}

/** What was said, and what was proposed and taken. */
const acceptedMeanings = (values: readonly AskedValue[], meant: ReadonlyMap<string, string>) =>
  new Map(
    values.flatMap(({ key, proposed }) => {
      const id = meant.get(key) ?? proposed
      return id === undefined ? [] : [[key, id] as const]
    }),
  )

function withMended(table: InventoryTable, mended: MendedCells): InventoryTable {
  if (mended.size === 0) return table
  return {
    ...table,
    rows: table.rows.map((row, at) => row.map((cell, column) => mended.get(cellKey(at, column)) ?? cell)),
  }
}

const Problem = styled.p`
  color: var(--leak);
`

const Foot = styled.div`
  position: sticky;
  bottom: 0;
  margin: 0 0 -20px;
  padding: 8px 0 16px;
  background: var(--sheet);
  display: flex;
  flex-wrap: wrap;
  gap: 8px 12px;
  align-items: center;

  span {
    flex: 1 1 240px;
  }
`
