'use client'

import { useState } from 'react'
import type { ListField } from '../../core/pricelist/listMapping.ts'
import { ROW_FIELDS } from '../../core/pricelist/rowFields.ts'
import { Button } from '../../interface/Button'
import { Dropdown } from '../../interface/Dropdown'
import { LIST_FIELD_NAMES } from '../../wording/list'
import { FieldPicker } from './FieldPicker'
import { MappingRow } from './MappingRow'
import { PriceColumnsDialog } from './PriceColumnsDialog'
import type { MappingEdit } from './useMapping.ts'

/** Which column says what of a row. */
export function MeaningFields({ edit }: { readonly edit: MappingEdit }) {
  const { meaning, table, setMeaning, mapping } = edit
  const { fields, prices } = meaning
  const [shown, setShown] = useState<readonly ListField[]>([])
  const [isDefining, setIsDefining] = useState(false)
  const { must, may } = ROW_FIELDS[meaning.is]
  const asked = may.filter((field) => fields[field] || shown.includes(field))
  const more = may.filter((field) => !asked.includes(field))
  const isSaid = (field: ListField): boolean =>
    !!prices && (field === 'price' || (field === 'place' && prices.some((each) => each.place !== undefined)))
  return (
    <>
      {[...must.filter((field) => !isSaid(field)), ...asked].map((field) => (
        <MappingRow key={field} name={LIST_FIELD_NAMES[field]} question={`field/${field}`} edit={edit}>
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
      ))}
      <MappingRow name="prices" question="prices" edit={edit}>
        {prices && (
          <small>
            {prices.length} columns, {saidOf(prices)}
          </small>
        )}
        <Button onPress={() => setIsDefining(true)}>{prices ? 'Which…' : 'Several columns…'}</Button>
        {isDefining && <PriceColumnsDialog edit={edit} onClose={() => setIsDefining(false)} />}
      </MappingRow>
      {more.length > 0 && (
        <MappingRow name="also" edit={edit}>
          <Dropdown
            label="More that the list says"
            value="say more…"
            options={more.map((field) => ({ id: field, name: LIST_FIELD_NAMES[field] }))}
            onChange={(id) => setShown([...shown, ...more.filter((field) => field === id)])}
          />
        </MappingRow>
      )}
    </>
  )
}

function saidOf(prices: NonNullable<MappingEdit['meaning']['prices']>): string {
  const said = (['place', 'term', 'system'] as const).flatMap((what) => {
    const texts = new Set(prices.flatMap((each) => each[what] ?? []))
    const [one, many] = {
      place: ['place', 'places'],
      term: ['terms', 'terms'],
      system: ['system', 'systems'],
    }[what] as [string, string]
    return texts.size > 0 ? [`${texts.size} ${texts.size === 1 ? one : many}`] : []
  })
  return said.join(', ')
}
