'use client'

import styled from 'styled-components'
import type { MachineChange } from '../../core/advice/planChange.ts'
import { compare, subtract } from '../../core/quantity/exact.ts'
import { formatMoney } from '../../wording/money'

interface ChangedMachinesProps {
  readonly changes: readonly MachineChange[]
  /** The machines that are changed: each is listed, priced or not; what they share an allowance with comes after them. */
  readonly names?: readonly string[]
}

/** Each machine before and after a change of the plan. */
export const ChangedMachines = ({ changes, names }: ChangedMachinesProps) => (
  <Table>
    <thead>
      <tr>
        <th scope="col">Machine</th>
        <th scope="col">before</th>
        <th scope="col">after</th>
        <th scope="col">a month</th>
      </tr>
    </thead>
    <tbody>
      {listed(changes, names).map(({ name, currency, before, after, isBeside }) => (
        <tr key={name}>
          <th scope="row">
            {name}
            {isBeside && <small> shares an allowance with them</small>}
          </th>
          <td>{before ? formatMoney(before, currency) : 'no price'}</td>
          <td>{after ? formatMoney(after, currency) : 'no price'}</td>
          <td>
            {before && after ? (
              <b>
                {compare(after, before) > 0 ? '+' : ''}
                {formatMoney(subtract(after, before), currency)}
              </b>
            ) : (
              ''
            )}
          </td>
        </tr>
      ))}
    </tbody>
  </Table>
)

interface Listed extends MachineChange {
  readonly isBeside: boolean
}

function listed(changes: readonly MachineChange[], names: readonly string[] | undefined): Listed[] {
  if (!names) return changes.map((change) => ({ ...change, isBeside: false }))
  const byName = new Map(changes.map((change) => [change.name, change]))
  const unpriced = (name: string): MachineChange => ({
    name,
    currency: '',
    before: undefined,
    after: undefined,
  })
  const own = new Set(names)
  return [
    ...names.map((name) => ({ ...(byName.get(name) ?? unpriced(name)), isBeside: false })),
    ...changes.filter(({ name }) => !own.has(name)).map((change) => ({ ...change, isBeside: true })),
  ]
}

const Table = styled.table`
  margin: 2px 0 6px;
  border-collapse: collapse;
  font-size: 12px;

  th {
    font-weight: 400;
    text-align: left;
  }
  th,
  td {
    padding: 1px 14px 1px 0;
  }
  td,
  thead th:not(:first-child) {
    text-align: right;
    white-space: nowrap;
  }
  tbody th {
    color: var(--ink);
  }
`
