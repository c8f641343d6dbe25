'use client'

import { useMemo, useState } from 'react'
import styled from 'styled-components'
import type { MachineChange } from '../../core/advice/planChange.ts'
import { compare, subtract } from '../../core/quantity/exact.ts'
import { RowGrid } from '../../interface/RowGrid'
import { formatMoney } from '../../wording/money'

interface ChangedMachinesProps {
  readonly changes: readonly MachineChange[]
  /** The machines that are changed: each is listed, priced or not; what they share an allowance with comes after them. */
  readonly names?: readonly string[]
}

/** From so many machines on, only those in view are drawn. */
const MOST_AT_ONCE = 40
const ROW_HEIGHT = 22
const HEADS = ['Machine', 'before', 'after', 'a month']

/** Each machine before and after a change of the plan. */
export function ChangedMachines({ changes, names }: ChangedMachinesProps) {
  const rows = useMemo(() => listed(changes, names), [changes, names])
  return rows.length > MOST_AT_ONCE ? <LongTable rows={rows} /> : <PlainTable rows={rows} />
}

const PlainTable = ({ rows }: { readonly rows: readonly Listed[] }) => (
  <Table>
    <thead>
      <tr>
        {HEADS.map((head) => (
          <th key={head} scope="col">
            {head}
          </th>
        ))}
      </tr>
    </thead>
    <tbody>
      {rows.map((row) => (
        <tr key={row.name}>
          <th scope="row">{nameOf(row)}</th>
          {amountsOf(row).map((text, i) => (
            <td key={HEADS[i + 1]}>{text}</td>
          ))}
        </tr>
      ))}
    </tbody>
  </Table>
)

function LongTable({ rows }: { readonly rows: readonly Listed[] }) {
  const [active, setActive] = useState<number>()
  return (
    <Long>
      <RowGrid
        label="Machines that change"
        count={rows.length}
        rowHeight={ROW_HEIGHT}
        columns={() => 'minmax(140px, 1fr) 110px 110px 110px'}
        leastWidth={480}
        head={HEADS.map((head) => (
          <span key={head} role="columnheader">
            {head}
          </span>
        ))}
        renderRow={(index) => {
          const row = rows[index]!
          return [nameOf(row), ...amountsOf(row)].map((text, i) => (
            <span key={HEADS[i]} role="gridcell">
              {text}
            </span>
          ))
        }}
        active={active}
        onActive={setActive}
        whenEmpty={null}
      />
    </Long>
  )
}

const nameOf = ({ name, isBeside }: Listed): string =>
  isBeside ? `${name} shares an allowance with them` : name

const amountsOf = ({ before, after, currency }: Listed): string[] => [
  before ? formatMoney(before, currency) : 'no price',
  after ? formatMoney(after, currency) : 'no price',
  before && after
    ? `${compare(after, before) > 0 ? '+' : ''}${formatMoney(subtract(after, before), currency)}`
    : '',
]

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

const Long = styled.div`
  display: flex;
  height: 260px;
  font-size: 12px;

  [role='columnheader']:not(:first-child),
  [role='gridcell']:not(:first-child) {
    text-align: right;
  }
`

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
  td:last-child {
    font-weight: 700;
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
