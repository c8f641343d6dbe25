'use client'

import styled from 'styled-components'
import {
  foldShares,
  type SharedMachine,
  type ShareGroup,
  type ShareOrder,
} from '../../core/wholePlan/foldShares.ts'
import { MONTH_PARTS } from '../../core/meter/monthPart.ts'
import { isZero, ZERO } from '../../core/quantity/exact.ts'
import { PART_NAMES } from '../../wording/monthPart'
import { SelectBox } from './SelectBox'
import { MonthBar } from '../month/MonthBar'
import { formatAmount } from '../../wording/money'
import { useLinks } from '../workbench/useLinks.ts'

interface ShareRowProps {
  readonly group: ShareGroup
  readonly name: string
  readonly isMachine: boolean
  /** The longest bar, in the plan's currency. */
  readonly scale: number
  readonly selected: ReadonlySet<string>
  readonly onToggle: (names: readonly string[], on: boolean) => void
  readonly isOpen: boolean
  readonly onOpen: (open: boolean) => void
  /** Where the machines of an opened group are found. */
  readonly members: readonly SharedMachine[]
  readonly order: ShareOrder
}

/** One bar with its figures; a group opens to its machines. */
export function ShareRow({ group, name, isMachine, isOpen, onOpen, members, order, ...row }: ShareRowProps) {
  const { machines } = group
  const inside = new Set(machines)
  const own = isOpen
    ? foldShares(
        members.filter(({ machine }) => inside.has(machine.name)),
        'machine',
        order,
      )
    : []
  return (
    <>
      <Figures group={group} {...row} label={isMachine ? name : `${name}, ${countText(machines.length)}`}>
        {isMachine ? (
          <MachineLink name={name} />
        ) : (
          <Open type="button" aria-expanded={isOpen} onClick={() => onOpen(!isOpen)}>
            <span aria-hidden="true">{isOpen ? '▾' : '▸'}</span> {name} <small>{machines.length}</small>
          </Open>
        )}
      </Figures>
      {own.map((each) => (
        <Figures key={each.key} group={each} {...row} label={each.key}>
          <Indent>
            <MachineLink name={each.key} />
          </Indent>
        </Figures>
      ))}
    </>
  )
}

const countText = (count: number): string => `${count} ${count === 1 ? 'machine' : 'machines'}`

function Figures({
  group,
  label,
  scale,
  selected,
  onToggle,
  children,
}: Pick<ShareRowProps, 'group' | 'scale' | 'selected' | 'onToggle'> & {
  readonly label: string
  readonly children: React.ReactNode
}) {
  const { machines } = group
  const link = useLinks()
  // The ledger is of one machine or of all: what machines have in common opens to them, and they to their charges.
  const charges =
    machines.length === 1
      ? link({
          view: 'ledger',
          machine: machines[0],
          ledger: { of: 'machine', fold: 'part', meters: [], states: [] },
        })
      : undefined
  const count = machines.filter((name) => selected.has(name)).length
  return (
    <tr data-selected={count > 0 || undefined}>
      <td>
        <SelectBox
          label={`Select ${label}`}
          checked={count === machines.length}
          isPartial={count > 0 && count < machines.length}
          onChange={(on) => onToggle(machines, on)}
        />
      </td>
      <Name scope="row">{children}</Name>
      <td>
        <MonthBar split={group} scale={scale} height={16} />
      </td>
      {MONTH_PARTS.map((part) => (
        <td key={part}>
          {isZero(group[part]) ? (
            <Nothing>{formatAmount(ZERO)}</Nothing>
          ) : (
            <Charges
              as={charges ? 'a' : 'span'}
              {...charges}
              data-part={part}
              aria-label={charges && `${PART_NAMES[part]} ${formatAmount(group[part])}: its charges`}
            >
              {formatAmount(group[part])}
            </Charges>
          )}
        </td>
      ))}
      <td>
        <b>{formatAmount(group.total)}</b>
      </td>
      <td>{isZero(group.saved) ? <Nothing>{formatAmount(ZERO)}</Nothing> : formatAmount(group.saved)}</td>
    </tr>
  )
}

function MachineLink({ name }: { readonly name: string }) {
  const link = useLinks()
  return <a {...link({ view: 'gauge', machine: name })}>{name}</a>
}

const Name = styled.th`
  &&& {
    text-align: left;
    font-weight: 560;
  }
  a {
    text-decoration: none;
  }
  a:hover {
    text-decoration: underline;
  }
`

const Indent = styled.span`
  padding-left: 16px;
  font-weight: 400;
`

const Open = styled.button`
  padding: 3px 0;
  border: 0;
  background: none;
  font-weight: 560;
  cursor: pointer;

  small {
    margin-left: 4px;
    font-size: 12px;
    font-weight: 400;
    color: var(--ink-2);
  }
`

const Charges = styled.a`
  text-decoration: none;

  a&:hover {
    text-decoration: underline;
  }
  &[data-part='leak'] {
    font-weight: 600;
    color: var(--held-ink);
  }
`

const Nothing = styled.span`
  color: var(--ink-3);
`
