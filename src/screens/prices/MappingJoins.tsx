'use client'

import styled from 'styled-components'
import { partnerColumn, type TableJoin } from '../../core/pricelist/listMapping.ts'
import type { JoinReading } from '../../files/pricelist/listAnswer.ts'
import { QuietButton } from '../../interface/Button'
import { Dropdown } from '../../interface/Dropdown'
import { AssumedMark } from './AssumedMark'
import type { MappingEdit } from './useMapping.ts'
import { formatNumber } from '../../wording/number'

/** Which tables belong together: by which columns rows find their partners, how many did, and which did not. */
export function MappingJoins({ edit }: { readonly edit: MappingEdit }) {
  const { mapping, reading, table, change, unsure, confirm } = edit
  const joins = mapping.joins ?? []
  const own = reading.joins.filter(({ join }) => join.table === table.name)
  const joined = new Set([table.name, ...own.map(({ join }) => join.with)])
  const others = reading.tables.filter(({ name, role }) => !joined.has(name) && role !== 'prices')
  const put = (before: TableJoin, next: TableJoin | undefined): void =>
    change(
      { ...mapping, joins: joins.flatMap((join) => (isSame(join, before) ? (next ?? []) : join)) },
      'joins',
    )
  if (own.length + others.length === 0) return null
  return (
    <>
      <h2>
        What {table.name} looks up{' '}
        {own.length > 0 && unsure.includes('joins') && (
          <AssumedMark what="What is looked up" onConfirm={() => confirm('joins')} />
        )}
      </h2>
      {own.map((reading) => (
        <Join
          key={reading.join.with}
          reading={reading}
          edit={edit}
          onChange={(next) => put(reading.join, next)}
        />
      ))}
      {others.length > 0 && (
        <Dropdown
          label="Look rows up in another table"
          value="look up in…"
          options={others.map(({ name }) => ({ id: name, name }))}
          onChange={(name) => {
            const partner = others.find((each) => each.name === name)!
            const next = {
              table: table.name,
              column: table.columns[0]!,
              with: name,
              key: partner.columns[0]!,
            }
            change({ ...mapping, joins: [...joins, next] }, 'joins')
          }}
        />
      )}
    </>
  )
}

const isSame = (one: TableJoin, other: TableJoin): boolean =>
  one.table === other.table && one.with === other.with

interface JoinProps {
  readonly reading: JoinReading
  readonly edit: MappingEdit
  readonly onChange: (next: TableJoin | undefined) => void
}

function Join({ reading: { join, found, lacking, examples, repeated }, edit, onChange }: JoinProps) {
  const { table, reading } = edit
  const partner = reading.tables.find(({ name }) => name === join.with)
  const columns = table.columns.filter((column) => !column.startsWith(partnerColumn(join.with, '')))
  return (
    <Line>
      <Dropdown
        label={`Column that is looked up in ${join.with}`}
        value={join.column}
        options={columns.map((column) => ({ id: column, name: column }))}
        onChange={(column) => onChange({ ...join, column })}
      />
      is
      <Dropdown
        label={`Column of ${join.with} that it is found in`}
        value={join.key}
        options={(partner?.columns ?? [join.key]).map((column) => ({
          id: column,
          name: `${join.with}: ${column}`,
        }))}
        onChange={(key) => onChange({ ...join, key })}
      />
      <QuietButton aria-label={`Do not look up in ${join.with}`} onPress={() => onChange(undefined)}>
        ×
      </QuietButton>
      <small>
        {formatNumber(found)} of {formatNumber(found + lacking)} rows found theirs
        {lacking > 0 && (
          <Fault>
            ; not{' '}
            {examples
              .slice(0, 6)
              .map((text) => `“${text}”`)
              .join(', ')}
          </Fault>
        )}
        {repeated.length > 0 && <Fault>; several rows are called “{repeated[0]}”, the first counts</Fault>}
      </small>
    </Line>
  )
}

const Line = styled.div`
  display: flex;
  flex-wrap: wrap;
  gap: 3px 6px;
  align-items: center;
  padding: 4px 0;
  border-top: 1px solid var(--rule);

  small {
    flex-basis: 100%;
    color: var(--ink-2);
  }
`

const Fault = styled.span`
  color: var(--leak);
`
