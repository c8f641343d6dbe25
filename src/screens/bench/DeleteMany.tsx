'use client'

import { useMemo } from 'react'
import styled from 'styled-components'
import { leftBehind } from '../../core/meter/leftBehind.ts'
import { Button } from '../../interface/Button'
import { Dialog } from '../../interface/Dialog'
import { formatMoney } from '../../interface/wording/money'
import { removeMachines } from '../../store/commands.ts'
import { useWorkbench } from '../workbench/WorkbenchContext'

const PARTS = { disks: 'its disks', address: 'its address', snapshots: 'its snapshots' } as const

interface DeleteManyProps {
  readonly names: ReadonlySet<string>
  readonly onClose: () => void
}

/** Says what machines would leave behind before they are taken out of the plan. */
export function DeleteMany({ names, onClose }: DeleteManyProps) {
  const { session, state, pricing } = useWorkbench()
  const { plan } = state
  const left = useMemo(
    () =>
      plan.machines
        .filter(({ name }) => names.has(name))
        .flatMap((machine) => {
          const priced = pricing.of(machine)
          const behind = priced.ok ? leftBehind(priced.resolved, priced.month) : undefined
          return behind && priced.ok
            ? [{ name: machine.name, currency: priced.estimate.currency, ...behind }]
            : []
        }),
    [plan.machines, names, pricing],
  )
  const count = names.size === 1 ? 'the machine' : `${names.size} machines`
  return (
    <Dialog title={`Delete ${count}`} isOpen onClose={onClose}>
      <p>
        {names.size === 1 ? 'It is' : 'They are'} taken out of this plan; undo brings{' '}
        {names.size === 1 ? 'it' : 'them'} back. Nothing is switched off anywhere: what runs at a provider has
        to be deleted there.
      </p>
      {left.length === 0 ? (
        <p>Deleted there, nothing would be left behind that is charged.</p>
      ) : (
        <>
          <p>Deleted there as planned, these would go on being charged:</p>
          <List aria-label="Left behind">
            {left.map(({ name, parts, perMonth, currency }) => (
              <li key={name}>
                <span>
                  <b>{name}</b>, {parts.map((part) => PARTS[part]).join(', ')}
                </span>
                <b>{formatMoney(perMonth, currency)} a month</b>
              </li>
            ))}
          </List>
        </>
      )}
      <Button
        onPress={() => {
          session.edit(
            names.size === 1 ? `delete ${[...names][0]}` : `delete ${names.size} machines`,
            removeMachines(names),
          )
          onClose()
        }}
      >
        Delete {count}
      </Button>
      <Button onPress={onClose}>Keep {names.size === 1 ? 'it' : 'them'}</Button>
    </Dialog>
  )
}

const List = styled.ul`
  max-height: 260px;
  overflow: auto;

  li {
    display: flex;
    justify-content: space-between;
    gap: 12px;
    padding: 3px 0;
    border-top: 1px solid var(--rule);
  }
`
