'use client'

import styled from 'styled-components'
import { Input, Label, SearchField } from 'react-aria-components'
import type { RangeFilter } from '../../core/notches/listColumn.ts'
import { Button } from '../../interface/Button'
import { Dropdown } from '../../interface/Dropdown'
import { TextInput } from '../../interface/TextInput'
import { Tick } from '../../interface/Tick'
import { VisuallyHidden } from '../../interface/VisuallyHidden'
import type { ShownColumn } from './listColumns.ts'
import type { ListState } from './listState.ts'

interface ListFiltersProps {
  readonly list: ListState
  readonly columns: readonly ShownColumn[]
  readonly marked: number
  readonly onChange: (part: Partial<ListState>) => void
}

/** By words, by the range of a figure, and by whether it fits; and what was marked, side by side. */
export function ListFilters({ list, columns, marked, onChange }: ListFiltersProps) {
  const { ranges } = list
  const left = columns.filter(
    ({ id, kind }) => kind !== 'text' && ranges.every(({ column }) => column !== id),
  )
  return (
    <>
      <SearchField value={list.query} onChange={(query) => onChange({ query })}>
        <VisuallyHidden as={Label}>Search the choices</VisuallyHidden>
        <Search placeholder="search" />
      </SearchField>
      <Tick
        label="show what does not fit"
        checked={list.showsClosed}
        onChange={(showsClosed) => onChange({ showsClosed })}
      />
      {ranges.map((range) => (
        <Range
          key={range.column}
          range={range}
          name={columns.find(({ id }) => id === range.column)?.head ?? range.column}
          onChange={(next) =>
            onChange({ ranges: ranges.map((each) => (each.column === range.column ? next : each)) })
          }
          onRemove={() => onChange({ ranges: ranges.filter(({ column }) => column !== range.column) })}
        />
      ))}
      {left.length > 0 && (
        <Dropdown
          label="Filter by a figure"
          value="filter…"
          options={left.map(({ id, head }) => ({ id, name: head }))}
          onChange={(column) => onChange({ ranges: [...ranges, { column }] })}
        />
      )}
      {marked > 0 && (
        <Button
          isDisabled={marked < 2 && !list.compares}
          onPress={() => onChange({ compares: !list.compares })}
        >
          {list.compares ? 'Back to the list' : `Compare ${marked} marked`}
        </Button>
      )}
    </>
  )
}

interface RangeProps {
  readonly range: RangeFilter
  readonly name: string
  readonly onChange: (range: RangeFilter) => void
  readonly onRemove: () => void
}

const numberProblem = (text: string): string | undefined =>
  text === '' || Number.isFinite(Number(text)) ? undefined : 'A number, or nothing.'

const asLimit = (text: string): number | undefined => (text === '' ? undefined : Number(text))

function Range({ range, name, onChange, onRemove }: RangeProps) {
  return (
    <RangeBox>
      {name}
      <TextInput
        floating
        label={`Least ${name}`}
        value={range.least === undefined ? '' : String(range.least)}
        whenEmpty="from"
        check={numberProblem}
        onCommit={(text) => onChange({ ...range, least: asLimit(text) })}
      />
      <TextInput
        floating
        label={`Most ${name}`}
        value={range.most === undefined ? '' : String(range.most)}
        whenEmpty="to"
        check={numberProblem}
        onCommit={(text) => onChange({ ...range, most: asLimit(text) })}
      />
      <Button aria-label={`Clear the filter by ${name}`} onPress={onRemove}>
        ×
      </Button>
    </RangeBox>
  )
}

const Search = styled(Input)`
  width: 130px;
  min-height: 26px;
  padding: 2px 8px;
  border: 1px solid var(--plate-edge);
  border-radius: 3px;
  background: var(--sheet);
`

const RangeBox = styled.span`
  display: inline-flex;
  gap: 4px;
  align-items: center;

  input {
    width: 56px;
  }
`
