'use client'

import { useMemo, useState } from 'react'
import styled from 'styled-components'
import { zonesSelling } from '../../core/catalogue/bookIndex.ts'
import { ZERO } from '../../core/quantity/exact.ts'
import { MOST_MACHINES, type Machine } from '../../core/machine/plan.ts'
import { inSeveralZones, withInZones } from '../../core/wholePlan/inSeveralZones.ts'
import { Button } from '../../interface/Button'
import { Dialog } from '../../interface/Dialog'
import { ToggleRow } from '../../interface/ToggleRow'
import { addInZones } from '../../store/apartCommands.ts'
import { changeAsker } from '../../workers/askers.ts'
import { useAnswer } from '../../workers/useAnswer.ts'
import { apartGroupText } from '../../wording/apart'
import { ChangedMachines } from '../workbench/ChangedMachines'
import { ChangeSum } from '../workbench/ChangeSum'
import { useWorkbench } from '../workbench/WorkbenchContext'

interface SeveralZonesDialogProps {
  readonly machine: Machine
  readonly onClose: () => void
}

/** The same machine in several zones is several machines: what they cost stands there before they are made. */
export function SeveralZonesDialog({ machine, onClose }: SeveralZonesDialogProps) {
  const { session, state, month, address, result } = useWorkbench()
  const { plan, books } = state
  const { name, zone: own, size } = machine
  const [chosen, setChosen] = useState<readonly string[]>([own])
  const region = result?.ok && result.resolved.machine.name === name ? result.resolved.region : undefined
  const selling = region ? zonesSelling(region, size) : []
  const further = useMemo(() => inSeveralZones(machine, chosen, plan), [machine, chosen, plan])
  const { copies, group } = further
  const after = useMemo(
    () => (copies.length > 0 ? [withInZones(plan, machine, further)] : undefined),
    [copies, plan, machine, further],
  )
  const { answer, isStale, failure } = useAnswer(
    changeAsker,
    after && { plan, books, month, reading: address.reading, after },
  )
  const isNew = new Set(copies.map((copy) => copy.name))
  const changes = isStale
    ? undefined
    : answer?.[0]?.map((change) => (isNew.has(change.name) ? { ...change, before: ZERO } : change))
  const kept = group ?? plan.apartGroups?.find((each) => each.name === machine.needs.apart?.group)
  const tooMany = plan.machines.length + copies.length > MOST_MACHINES
  return (
    <Dialog title={`${name} in several zones`} isOpen onClose={onClose}>
      <p>
        Each further zone is a machine of its own that is bought and charged. They are kept apart
        {kept ? ` in the group “${kept.name}”: ${apartGroupText(kept)}` : ''}.
      </p>
      {region ? (
        <Line>
          <span>{region.region.name}, zones</span>
          <ToggleRow
            label={`Zones of ${region.region.name}`}
            mode="any"
            options={selling.map((id) => ({ id, label: id === own ? `${id}, its own` : id }))}
            chosen={chosen}
            onChange={(zones) => setChosen(zones.includes(own) ? zones : [own, ...zones])}
          />
        </Line>
      ) : (
        <p>It has no price as it is: mend that first.</p>
      )}
      {region && selling.length < 2 && <p>No other zone of {region.region.name} sells its size.</p>}
      {after && !changes && !failure && <p role="status">Pricing {copies.length + 1} machines…</p>}
      {failure && <p role="alert">{failure}</p>}
      {tooMany && <p role="alert">A plan holds {MOST_MACHINES} machines at the most.</p>}
      {changes && (
        <>
          <ChangeSum changes={changes} />
          <ChangedMachines changes={changes} />
          <Button
            isDisabled={tooMany}
            onPress={() => {
              session.edit(`${name} in ${copies.length + 1} zones`, addInZones(name, copies, group))
              onClose()
            }}
          >
            Add {copies.map((copy) => copy.name).join(', ')}
          </Button>
        </>
      )}
      <Button onPress={onClose}>{changes ? 'Leave it in its zone' : 'Close'}</Button>
    </Dialog>
  )
}

const Line = styled.div`
  display: flex;
  flex-wrap: wrap;
  gap: 6px 10px;
  align-items: baseline;
`
