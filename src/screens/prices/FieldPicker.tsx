'use client'

import styled from 'styled-components'
import { cellPart, inferPart } from '../../core/pricelist/cellPart.ts'
import type { CellPart, FieldSource, ListField } from '../../core/pricelist/listMapping.ts'
import type { SampleRow } from '../../files/pricelist/listAnswer.ts'
import { Dropdown } from '../../interface/Dropdown'
import { TextInput } from '../../interface/TextInput'
import { LIST_FIELD_NAMES } from '../../wording/list'

const NONE = 'none'
const CONSTANT = 'constant'
const TABLE = 'table'
const WHOLE = 'whole'

interface FieldPickerProps {
  readonly field: ListField
  readonly source: FieldSource | undefined
  readonly columns: readonly string[]
  readonly sample: readonly SampleRow[]
  /** Whether the name of the rows' table may say it. */
  readonly hasTables: boolean
  readonly onChange: (source: FieldSource | undefined) => void
}

/** Which column says a field, and which part of its cells; or the same for every row. */
export function FieldPicker({ field, source, columns, sample, hasTables, onChange }: FieldPickerProps) {
  const name = LIST_FIELD_NAMES[field]
  const value =
    source === undefined ? NONE : source.from === 'column' ? `column ${source.column}` : source.from
  const column = source?.from === 'column' ? source.column : undefined
  const at = column === undefined ? -1 : columns.indexOf(column)
  const cells = sample.map((row) => row.cells[at] ?? '').filter((cell) => cell !== '')
  return (
    <>
      <Dropdown
        label={`Column of ${name}`}
        value={value}
        options={[
          { id: NONE, name: 'no column' },
          { id: CONSTANT, name: 'the same for all' },
          ...(hasTables ? [{ id: TABLE, name: 'name of the table' }] : []),
          ...columns.map((each) => ({ id: `column ${each}`, name: each })),
        ]}
        onChange={(id) => {
          if (id === NONE) onChange(undefined)
          else if (id === CONSTANT) onChange({ from: 'constant', text: '' })
          else if (id === TABLE) onChange({ from: 'table' })
          else onChange({ from: 'column', column: id.slice('column '.length) })
        }}
      />
      {source?.from === 'constant' && (
        <TextInput
          label={`${name} of all rows`}
          value={source.text}
          check={(text) => (text.trim() === '' ? 'Something that holds for all rows.' : undefined)}
          onCommit={(text) => onChange({ from: 'constant', text: text.trim() })}
        />
      )}
      {source?.from === 'column' && cells.length > 0 && (
        <PartPicker
          name={name}
          cells={cells}
          part={source.part}
          onChange={(part) => onChange({ from: 'column', column: source.column, ...(part && { part }) })}
        />
      )}
    </>
  )
}

interface PartPickerProps {
  readonly name: string
  readonly cells: readonly string[]
  readonly part: CellPart | undefined
  readonly onChange: (part: CellPart | undefined) => void
}

/** Points at a part of a cell, where it says more than one thing; the rule is made from what is pointed at. */
export function PartPicker({ name, cells, part, onChange }: PartPickerProps) {
  const example = cells[0]!
  const parts = [
    ...new Set([
      ...(example.match(/\d+(?:[.,]\d+)*/g) ?? []),
      ...(example.match(/[\p{L}][\p{L}\p{N}]*/gu) ?? []),
    ]),
  ].filter((text) => text !== example)
  if (parts.length === 0 && !part) return null
  const picked = part && cellPart(example, part)
  const fits = part ? cells.filter((cell) => cellPart(cell, part) !== undefined).length : cells.length
  return (
    <>
      <Dropdown
        label={`Part of the cell that is ${name}`}
        value={picked === undefined ? WHOLE : picked}
        options={[
          { id: WHOLE, name: 'whole cell' },
          ...parts.map((text) => ({ id: text, name: `“${text}” of ${example}` })),
        ]}
        onChange={(id) =>
          onChange(id === WHOLE ? undefined : inferPart([{ cell: example, picked: id }], cells))
        }
      />
      {part && fits < cells.length && (
        <Note>
          fits {fits} of {cells.length} rows shown
        </Note>
      )}
    </>
  )
}

const Note = styled.small`
  color: var(--leak);
`
