'use client'

import { useState } from 'react'
import { fieldsOf, withRole } from '../../core/pricelist/columnRole.ts'
import type { ListField, PriceColumn } from '../../core/pricelist/listMapping.ts'
import { ROW_FIELDS } from '../../core/pricelist/rowFields.ts'
import { Button } from '../../interface/Button'
import { TextInput } from '../../interface/TextInput'
import { LIST_FIELD_NAMES } from '../../wording/list'
import { RoleList } from '../table/RoleList'
import { PartPicker } from './FieldPicker'
import { MappingRow } from './MappingRow'
import { PriceColumnsDialog } from './PriceColumnsDialog'
import { UnitAnswer } from './UnitAnswer'
import { columnQuestions } from './columnQuestions.ts'
import type { MappingEdit } from './useMapping.ts'

const NOT_USED = 'not used'
const MOST_LETTERS = 160

interface ListColumnEditorProps {
  readonly column: string
  readonly edit: MappingEdit
}

/** What one column of a price list is, and how it is counted. */
export function ListColumnEditor({ column, edit }: ListColumnEditorProps) {
  const { meaning, table, setMeaning } = edit
  const { must, may } = ROW_FIELDS[meaning.is]
  const roles = fieldsOf(meaning, column)
  const across = meaning.prices?.find((each) => each.column === column)
  const all: readonly ListField[] = across ? [...roles, 'price'] : roles
  const at = table.columns.indexOf(column)
  const cells = table.sample.map((row) => row.cells[at] ?? '').filter((cell) => cell !== '')
  const questions = columnQuestions(all, meaning.is)
  return (
    <>
      <RoleList
        label={`What ${column} is`}
        chosen={all.length > 1 ? undefined : (all[0] ?? NOT_USED)}
        options={[
          ...[...must, ...may].map((field) => ({ id: field, name: LIST_FIELD_NAMES[field] })),
          { id: NOT_USED, name: NOT_USED },
        ]}
        onChange={(id) => {
          const role = [...must, ...may].find((field) => field === id)
          setMeaning(withRole(meaning, column, role), ...(role ? [`field/${role}` as const] : []))
        }}
      />
      {roles.length > 1 && <p>Read as {roles.map((field) => LIST_FIELD_NAMES[field]).join(' and ')}.</p>}
      {roles.map((field) => {
        const source = meaning.fields[field]!
        return (
          source.from === 'column' &&
          cells.length > 0 && (
            <PartPicker
              key={field}
              name={LIST_FIELD_NAMES[field]}
              cells={cells}
              part={source.part}
              onChange={(part) => {
                const next = { from: 'column', column, ...(part && { part }) } as const
                setMeaning({ ...meaning, fields: { ...meaning.fields, [field]: next } }, `field/${field}`)
              }}
            />
          )
        )
      })}
      <div>
        {questions.map((question) => (
          <UnitAnswer key={question} question={question} column={column} edit={edit} />
        ))}
      </div>
      {across && <OneOfPrices own={across} edit={edit} />}
      {all.includes('price') && <PriceColumns edit={edit} />}
    </>
  )
}

/** What the heading of one of several columns of prices says. */
function OneOfPrices({ own, edit }: { readonly own: PriceColumn; readonly edit: MappingEdit }) {
  const { meaning, setMeaning } = edit
  return (['place', 'term', 'system'] as const).map((what) => (
    <MappingRow key={what} name={LIST_FIELD_NAMES[what]} edit={edit}>
      <TextInput
        label={`${LIST_FIELD_NAMES[what]} of ${own.column}`}
        value={own[what] ?? ''}
        whenEmpty="another column says it"
        check={(text) => (text.length > MOST_LETTERS ? `At most ${MOST_LETTERS} letters.` : undefined)}
        onCommit={(text) => {
          const { [what]: _, ...others } = own
          const next = text.trim() === '' ? others : { ...others, [what]: text.trim() }
          const prices = meaning.prices!.map((each) => (each.column === own.column ? next : each))
          setMeaning({ ...meaning, prices }, 'prices')
        }}
      />
    </MappingRow>
  ))
}

function PriceColumns({ edit }: { readonly edit: MappingEdit }) {
  const [isDefining, setIsDefining] = useState(false)
  return (
    <>
      <Button onPress={() => setIsDefining(true)}>Several columns have prices…</Button>
      {isDefining && <PriceColumnsDialog edit={edit} onClose={() => setIsDefining(false)} />}
    </>
  )
}
