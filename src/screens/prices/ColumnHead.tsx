'use client'

import styled from 'styled-components'
import { fieldsOf, withRole } from '../../core/pricelist/columnRole.ts'
import type { ListField, MappingQuestion } from '../../core/pricelist/listMapping.ts'
import { ROW_FIELDS } from '../../core/pricelist/rowFields.ts'
import { Dropdown } from '../../interface/Dropdown'
import { columnUnitText, LIST_FIELD_NAMES } from '../../wording/list'
import type { MappingEdit } from './useMapping.ts'

const NOT_USED = 'not used'
const SEVERAL = 'several'

/** Questions about how a field is counted. */
const COUNTED: { readonly [Field in ListField]?: readonly MappingQuestion[] } = {
  price: ['period', 'perCount', 'parts', 'decimalMark', 'currency', 'prices'],
  memory: ['memory'],
  vcpu: ['vcpuPerCount'],
  room: ['diskRoom'],
  validFrom: ['dateOrder'],
  validTo: ['dateOrder'],
}

interface ColumnHeadProps {
  readonly column: string
  /** What else it is read for, such as to find a row of another table. */
  readonly otherwise: readonly string[]
  readonly edit: MappingEdit
}

/** What a column is taken for, how it is counted and how sure that is: changed where it stands. */
export function ColumnHead({ column, otherwise, edit }: ColumnHeadProps) {
  const { meaning, mapping, units, unsure, setMeaning } = edit
  const { must, may } = ROW_FIELDS[meaning.is]
  const fields = fieldsOf(meaning, column)
  const across = meaning.prices?.find((each) => each.column === column)
  const roles: readonly ListField[] = across ? [...fields, 'price'] : fields
  const [only] = roles
  const value = roles.length > 1 ? SEVERAL : (only ?? NOT_USED)
  const several = roles.map((field) => LIST_FIELD_NAMES[field]).join(', ')
  const asked = roles.some(
    (field) =>
      unsure.includes(`field/${field}`) || COUNTED[field]?.some((question) => unsure.includes(question)),
  )
  const counted = roles.flatMap((field) => columnUnitText(field, units, mapping.currency) ?? [])
  const said = across ? [across.place, across.term, across.system].filter((each) => each) : []
  const details = [...said, ...counted, ...otherwise].join(', ')
  return (
    <Head data-asked={asked || undefined} data-used={roles.length > 0 || undefined}>
      <Dropdown
        label={`What ${column} is`}
        value={value}
        options={[
          ...(roles.length > 1 ? [{ id: SEVERAL, name: several }] : []),
          ...[...must, ...may].map((field) => ({ id: field, name: LIST_FIELD_NAMES[field] })),
          { id: NOT_USED, name: NOT_USED },
        ]}
        onChange={(id) => {
          const role = [...must, ...may].find((field) => field === id)
          setMeaning(withRole(meaning, column, role), ...(role ? [`field/${role}` as const] : []))
        }}
      />
      <span>
        {details}
        {asked && <em>{details === '' ? '' : ' '}assumed</em>}
      </span>
    </Head>
  )
}

const Head = styled.div`
  display: grid;
  gap: 1px;
  margin-bottom: 2px;
  max-width: 150px;
  white-space: normal;
  font-size: 11px;
  font-weight: 400;
  color: var(--ink-2);

  button {
    min-height: 22px;
    padding: 0 5px;
    font-size: 12px;
  }
  &[data-used] button {
    color: var(--save);
  }
  em {
    font-style: normal;
    border-bottom: 2px dotted var(--held);
  }
`
