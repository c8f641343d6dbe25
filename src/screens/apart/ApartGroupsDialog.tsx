'use client'

import styled from 'styled-components'
import { membersByGroup } from '../../core/machine/apart.ts'
import { MOST_APART_GROUPS, MOST_TOGETHER, type ApartGroup } from '../../core/machine/apartGroup.ts'
import type { Machine } from '../../core/machine/plan.ts'
import { freeGroupName } from '../../core/wholePlan/inSeveralZones.ts'
import { isOneLine } from '../../files/reading/oneLine.ts'
import { Button } from '../../interface/Button'
import { Dialog } from '../../interface/Dialog'
import { NumberInput } from '../../interface/NumberInput'
import { TextInput } from '../../interface/TextInput'
import { addApartGroup, deleteApartGroup, setApartGroup } from '../../store/apartCommands.ts'
import { useWorkbench } from '../workbench/WorkbenchContext'

/** The plan's groups of machines that must not fall together: what each allows, and who stands where. */
export function ApartGroupsDialog({ onClose }: { readonly onClose: () => void }) {
  const { session, state } = useWorkbench()
  const { plan } = state
  const groups = plan.apartGroups ?? []
  const members = membersByGroup(plan.machines)
  return (
    <Dialog title="Machines that must not fall together" isOpen onClose={onClose}>
      <p>
        Machines of a group stand apart: at most so many in one zone, and in one fault domain of a zone where
        the price book names them. Zero allows any number. A machine that shares nothing has its region to
        itself.
      </p>
      {groups.length === 0 && <p>No group yet.</p>}
      <ul aria-label="Groups">
        {groups.map((group) => (
          <GroupRow
            key={group.name}
            group={group}
            taken={groups.filter((other) => other !== group).map(({ name }) => name)}
            members={members.get(group.name) ?? []}
          />
        ))}
      </ul>
      <Line>
        <Button
          isDisabled={groups.length >= MOST_APART_GROUPS}
          onPress={() =>
            session.edit('add a group', addApartGroup({ name: freeGroupName('group', plan), mostInZone: 1 }))
          }
        >
          Add a group
        </Button>
        <Button onPress={onClose}>Done</Button>
      </Line>
    </Dialog>
  )
}

interface GroupRowProps {
  readonly group: ApartGroup
  /** Names of the others. */
  readonly taken: readonly string[]
  readonly members: readonly Machine[]
}

/** More are counted. */
const MOST_NAMED = 12

function GroupRow({ group, taken, members }: GroupRowProps) {
  const { session } = useWorkbench()
  const { name, mostInZone = 0, mostInFaultDomain = 0 } = group
  const change = (next: { readonly [Field in keyof ApartGroup]?: ApartGroup[Field] }): void => {
    const { mostInZone: zone, mostInFaultDomain: domain, name: called } = { ...group, ...next }
    session.edit(
      `group ${name}`,
      setApartGroup(name, {
        name: called,
        ...(zone && { mostInZone: zone }),
        ...(domain && { mostInFaultDomain: domain }),
      }),
    )
  }
  return (
    <Item>
      <Line>
        <TextInput
          label={`Name of group ${name}`}
          value={name}
          whenEmpty="name"
          check={(text) =>
            taken.includes(text)
              ? 'There is such a group already.'
              : text.trim() === '' || !isOneLine(text, 60)
                ? 'One line of at most 60 letters.'
                : undefined
          }
          onCommit={(text) => change({ name: text })}
        />
        <NumberInput
          label={`Most of ${name} in a zone`}
          unit="in a zone"
          value={mostInZone}
          step={1}
          most={MOST_TOGETHER}
          onChange={(most) => change({ mostInZone: most })}
        />
        <NumberInput
          label={`Most of ${name} in a fault domain`}
          unit="in a fault domain"
          value={mostInFaultDomain}
          step={1}
          most={MOST_TOGETHER}
          onChange={(most) => change({ mostInFaultDomain: most })}
        />
        <Button
          aria-label={`Delete group ${name}`}
          onPress={() => session.edit(`delete group ${name}`, deleteApartGroup(name))}
        >
          Delete
        </Button>
      </Line>
      <small>{membersText(members)}</small>
    </Item>
  )
}

function membersText(members: readonly Machine[]): string {
  if (members.length === 0) return 'No machine is in it yet: choose it among the needs of a machine.'
  const named = members
    .slice(0, MOST_NAMED)
    .map(
      ({ name, region, zone, needs }) =>
        `${name} in ${region}, zone ${zone}${needs.apart?.sharesNothing ? ', shares nothing' : ''}`,
    )
  const more = members.length - named.length
  return `${named.join('; ')}${more > 0 ? ` and ${more} more` : ''}.`
}

const Item = styled.li`
  padding: 6px 0;
  border-top: 1px solid var(--rule);

  small {
    display: block;
    padding-top: 4px;
    color: var(--ink-2);
  }
`

const Line = styled.div`
  display: flex;
  flex-wrap: wrap;
  gap: 6px 10px;
  align-items: baseline;
`
