'use client'

import { useState } from 'react'
import { MANNERS } from '../../core/manner/manners.ts'
import type { ListField } from '../../core/pricelist/listMapping.ts'
import { LONGEST_NAME } from '../../core/pricelist/readRow.ts'
import { ROW_FIELDS } from '../../core/pricelist/rowFields.ts'
import { Dropdown } from '../../interface/Dropdown'
import { TextInput } from '../../interface/TextInput'
import { LIST_FIELD_NAMES } from '../../wording/list'
import { MANNER_NAMES, MANNER_NOTES } from '../../wording/manner'
import { FieldAnswer } from './FieldAnswer'
import { FilterRows } from './FilterRows'
import type { Asked } from './ListQuestions'
import { MappingCurrencies } from './MappingCurrencies'
import { MappingJoins } from './MappingJoins'
import { MappingPlaces } from './MappingPlaces'
import { MappingRow } from './MappingRow'
import { MappingTerms } from './MappingTerms'
import { MeaningPicker } from './MeaningPicker'
import { changeOpenList } from './openList.ts'
import type { MappingEdit } from './useMapping.ts'

/** What no column says by itself: whose list it is, what its rows are, and what holds for all of them. */
export function ListAnswers({ asked, edit }: { readonly asked: Asked; readonly edit: MappingEdit }) {
  const { reading, mapping, meaning, table, unsure, setMeaning, confirm } = edit
  const { provider, manner } = reading
  return (
    <section aria-label="What no column says">
      <h2>What no column says</h2>
      <MappingRow name="provider" edit={edit}>
        <TextInput
          label="Provider of the list"
          value={provider.name}
          check={(text) =>
            text.trim() === '' || text.length > LONGEST_NAME ? `1 to ${LONGEST_NAME} letters` : undefined
          }
          onCommit={(text) => changeOpenList({ mapping, assumed: unsure, manner, provider: text.trim() })}
        />
      </MappingRow>
      <MappingRow name="billing rules" edit={edit}>
        <Dropdown
          label="Manner of charging"
          value={manner}
          options={MANNERS.map((id) => ({ id, name: MANNER_NAMES[id], note: MANNER_NOTES[id] }))}
          onChange={(id) =>
            changeOpenList({
              mapping,
              assumed: unsure,
              provider: provider.name,
              manner: MANNERS.find((each) => each === id)!,
            })
          }
        />
      </MappingRow>
      <MeaningPicker edit={edit} />
      <ForAllRows key={`${edit.at} ${meaning.is}`} questions={asked} edit={edit} />
      {!asked.has('currency') && <MappingCurrencies edit={edit} />}
      <FilterRows
        filters={meaning.only}
        values={table.values}
        isUnsure={unsure.includes('rows')}
        onConfirm={() => confirm('rows')}
        onChange={(only) => setMeaning({ ...meaning, only }, 'rows')}
      />
      <MappingJoins edit={edit} />
      <MappingTerms edit={edit} />
      <MappingPlaces edit={edit} />
    </section>
  )
}

/** Fields that no column of the table says: needed ones, and those with one text for all rows. */
function ForAllRows({ questions, edit }: { readonly questions: Asked; readonly edit: MappingEdit }) {
  const { meaning } = edit
  const { fields, prices } = meaning
  const [shown, setShown] = useState<readonly ListField[]>([])
  const { must, may } = ROW_FIELDS[meaning.is]
  const isSaid = (field: ListField): boolean =>
    fields[field]?.from === 'column' ||
    (!!prices &&
      (field === 'price' || (field === 'place' && prices.some((each) => each.place !== undefined))))
  // What is asked about is among the questions.
  const asked = [...must, ...may].filter(
    (field) =>
      !isSaid(field) &&
      !questions.has(`field/${field}`) &&
      (must.includes(field) || fields[field] || shown.includes(field)),
  )
  const more = may.filter((field) => !isSaid(field) && !asked.includes(field))
  return (
    <>
      {asked.map((field) => (
        <FieldAnswer key={field} field={field} edit={edit} />
      ))}
      {more.length > 0 && (
        <MappingRow name="also" edit={edit}>
          <Dropdown
            label="More that the list says"
            value="add…"
            options={more.map((field) => ({ id: field, name: LIST_FIELD_NAMES[field] }))}
            onChange={(id) => setShown([...shown, ...more.filter((field) => field === id)])}
          />
        </MappingRow>
      )}
    </>
  )
}
