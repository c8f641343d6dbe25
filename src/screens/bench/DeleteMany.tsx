'use client'

import { useMemo } from 'react'
import styled from 'styled-components'
import { dayOf, formatDate } from '../../core/calendar/civil.ts'
import { yearMonthParts, type YearMonth } from '../../core/calendar/yearMonth.ts'
import { leftBehind } from '../../core/meter/leftBehind.ts'
import { Button } from '../../interface/Button'
import { Dialog } from '../../interface/Dialog'
import { ListInPart } from '../../interface/ListInPart'
import { formatMoney } from '../../wording/money'
import { endMachines, removeMachines } from '../../store/commands.ts'
import { useWorkbench } from '../workbench/WorkbenchContext'

const PARTS = { disks: 'its disks', address: 'its address', snapshots: 'its snapshots' } as const

interface DeleteManyProps {
  readonly names: ReadonlySet<string>
  readonly onClose: () => void
  /** What was taken out of the plan, before the dialog closes. */
  readonly onDeleted?: (names: ReadonlySet<string>) => void
}

/** Says what machines would leave behind before they are taken out of the plan. */
export function DeleteMany({ names, onClose, onDeleted }: DeleteManyProps) {
  const { session, state, month, pricing } = useWorkbench()
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
  const label = names.size === 1 ? `delete ${[...names][0]}` : `delete ${names.size} machines`
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
          <p>
            Deleted there as planned, these would go on being charged. They can stay in this plan as gone
            after {dayBefore(month)}, at what is left of them, until you say that it is all gone:
          </p>
          <Lines>
            <ListInPart label="Left behind" items={left} keyOf={({ name }) => name}>
              {({ name, parts, perMonth, currency }) => (
                <>
                  <span>
                    <b>{name}</b>, {parts.map((part) => PARTS[part]).join(', ')}
                  </span>
                  <b>{formatMoney(perMonth, currency)} a month</b>
                </>
              )}
            </ListInPart>
          </Lines>
        </>
      )}
      {left.length > 0 && (
        <Button
          onPress={() => {
            const behind = new Set(left.map(({ name }) => name))
            const whole = new Set([...names].filter((name) => !behind.has(name)))
            session.edit(label, (draft) => {
              removeMachines(whole)(draft)
              endMachines(behind, dayBefore(month))(draft)
            })
            onDeleted?.(whole)
            onClose()
          }}
        >
          Delete {count}, keep in view what stays
        </Button>
      )}
      <Button
        onPress={() => {
          session.edit(label, removeMachines(names))
          onDeleted?.(names)
          onClose()
        }}
      >
        {left.length > 0 ? 'Delete, and it is all gone' : `Delete ${count}`}
      </Button>
      <Button onPress={onClose}>Keep {names.size === 1 ? 'it' : 'them'}</Button>
    </Dialog>
  )
}

/** The last date before a month. */
function dayBefore(month: YearMonth): string {
  const { year, month: number } = yearMonthParts(month)
  return formatDate(dayOf(year, number, 0))
}

const Lines = styled.div`
  li {
    display: flex;
    justify-content: space-between;
    gap: 12px;
    padding: 3px 0;
    border-top: 1px solid var(--rule);
  }
`
