'use client'

import { ROW_KINDS, type RowMeaning } from '../../core/pricelist/listMapping.ts'
import { Button, QuietButton } from '../../interface/Button'
import { Dropdown } from '../../interface/Dropdown'
import { ROW_KIND_NAMES } from '../../wording/list'
import { MappingRow } from './MappingRow'
import type { MappingEdit } from './useMapping.ts'

/** Which rows are looked at and what they are the prices of; a list may mix several, in one table or in many. */
export function MeaningPicker({ edit }: { readonly edit: MappingEdit }) {
  const { reading, mapping, meaning, at, change, setMeaning, lookAt, table } = edit
  const { tables } = reading
  const nameOf = ({ is, tables: own }: RowMeaning): string =>
    own ? `${ROW_KIND_NAMES[is]}, ${own.join(', ')}` : ROW_KIND_NAMES[is]
  const add = (): void => {
    const kind = ROW_KINDS.find((each) => mapping.rows.every(({ is }) => is !== each)) ?? 'disk-price'
    const next: RowMeaning = {
      is: kind,
      only: [],
      fields: {},
      ...(tables.length > 1 && { tables: [table.name] }),
    }
    change({ ...mapping, rows: [...mapping.rows, next] })
    lookAt(mapping.rows.length)
  }
  return (
    <>
      <MappingRow name="rows" edit={edit}>
        {mapping.rows.length > 1 && (
          <Dropdown
            label="Rows that are looked at"
            value={String(at)}
            options={mapping.rows.map((each, i) => ({ id: String(i), name: nameOf(each) }))}
            onChange={(id) => lookAt(Number(id))}
          />
        )}
        <Button onPress={add}>Others mean more…</Button>
        {mapping.rows.length > 1 && (
          <QuietButton
            onPress={() => {
              change({ ...mapping, rows: mapping.rows.filter((_, i) => i !== at) })
              lookAt(0)
            }}
          >
            Leave these out
          </QuietButton>
        )}
      </MappingRow>
      <MappingRow name="are" edit={edit}>
        <Dropdown
          label="What a row is"
          value={meaning.is}
          options={ROW_KINDS.map((id) => ({ id, name: ROW_KIND_NAMES[id] }))}
          onChange={(id) => setMeaning({ ...meaning, is: ROW_KINDS.find((each) => each === id)! })}
        />
        {tables.length > 1 && (
          <Dropdown
            label="Table of these rows"
            value={meaning.tables?.[0] ?? ''}
            options={tables.map(({ name }) => ({ id: name, name: `in ${name}` }))}
            onChange={(name) => setMeaning({ ...meaning, tables: [name] })}
          />
        )}
      </MappingRow>
    </>
  )
}
