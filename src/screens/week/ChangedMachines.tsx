'use client'

import styled from 'styled-components'
import type { MachineChange } from '../../core/advice/planChange.ts'
import { compare, subtract } from '../../core/quantity/exact.ts'
import { formatMoney } from '../../interface/wording/money'

/** Each machine before and after a change of the plan. */
export const ChangedMachines = ({ changes }: { readonly changes: readonly MachineChange[] }) => (
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
      {changes.map(({ name, currency, before, after }) => (
        <tr key={name}>
          <th scope="row">{name}</th>
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
