'use client'

import type { ListField } from '../../core/pricelist/listMapping.ts'
import { LIST_FIELD_NAMES } from '../../wording/list'
import { FieldPicker } from './FieldPicker'
import { MappingRow } from './MappingRow'
import type { MappingEdit } from './useMapping.ts'

interface FieldAnswerProps {
  readonly field: ListField
  readonly edit: MappingEdit
}

/** Which column says a field, or what holds for all rows. */
export function FieldAnswer({ field, edit }: FieldAnswerProps) {
  const { meaning, table, setMeaning, mapping } = edit
  const { fields } = meaning
  return (
    <MappingRow name={LIST_FIELD_NAMES[field]} question={`field/${field}`} edit={edit}>
      <FieldPicker
        field={field}
        source={fields[field]}
        columns={table.columns}
        sample={table.sample}
        hasTables={(mapping.rows[0]?.tables?.length ?? 0) > 0}
        onChange={(source) => {
          const { [field]: _, ...others } = fields
          setMeaning(
            { ...meaning, fields: source ? { ...others, [field]: source } : others },
            `field/${field}`,
          )
        }}
      />
    </MappingRow>
  )
}
