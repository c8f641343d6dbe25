'use client'

import { useState } from 'react'
import type { ApartGroup } from '../../core/machine/apartGroup.ts'
import type { Machine } from '../../core/machine/plan.ts'
import { freeGroupName } from '../../core/wholePlan/inSeveralZones.ts'
import { Button } from '../../interface/Button'
import { Dropdown } from '../../interface/Dropdown'
import { ToggleRow } from '../../interface/ToggleRow'
import { addApartGroup } from '../../store/apartCommands.ts'
import { setNeeds } from '../../store/commands.ts'
import { apartGroupText } from '../../wording/apart'
import { useWorkbench } from '../workbench/WorkbenchContext'
import { ApartGroupsDialog } from './ApartGroupsDialog'
import { SeveralZonesDialog } from './SeveralZonesDialog'

/** Ids that no group can have. */
const NONE = ' none'
const NEW = ' new'

/** The group that a machine must not fall with. */
export function ApartRow({ machine }: { readonly machine: Machine }) {
  const { session, state } = useWorkbench()
  const [shown, setShown] = useState<'groups' | 'zones'>()
  const { name, needs } = machine
  const { apart } = needs
  const groups = state.plan.apartGroups ?? []
  const take = (id: string): void => {
    const label = `${name}: needs`
    if (id === NONE) return session.edit(label, setNeeds(name, { apart: undefined }))
    if (id !== NEW) return session.edit(label, setNeeds(name, { apart: { group: id } }))
    const group: ApartGroup = { name: freeGroupName(name, state.plan), mostInZone: 1 }
    session.edit(label, (draft) => {
      addApartGroup(group)(draft)
      return setNeeds(name, { apart: { group: group.name } })(draft)
    })
    setShown('groups')
  }
  return (
    <>
      <Dropdown
        label="Kept apart in group"
        value={apart?.group ?? NONE}
        options={[
          { id: NONE, name: 'from none' },
          ...groups.map((group) => ({ id: group.name, name: `${group.name}: ${apartGroupText(group)}` })),
          { id: NEW, name: 'a new group…' },
        ]}
        onChange={take}
      />
      {apart && (
        <ToggleRow
          label="What it shares with the group"
          mode="any"
          options={[{ id: 'nothing', label: 'shares nothing' }]}
          chosen={apart.sharesNothing ? ['nothing'] : []}
          onChange={(chosen) => {
            const { group } = apart
            const next = chosen.length > 0 ? { group, sharesNothing: true } : { group }
            session.edit(`${name}: needs`, setNeeds(name, { apart: next }))
          }}
        />
      )}
      {groups.length > 0 && <Button onPress={() => setShown('groups')}>Groups…</Button>}
      <Button onPress={() => setShown('zones')}>In several zones…</Button>
      {shown === 'groups' && <ApartGroupsDialog onClose={() => setShown(undefined)} />}
      {shown === 'zones' && <SeveralZonesDialog machine={machine} onClose={() => setShown(undefined)} />}
    </>
  )
}
