'use client'

import { BILL_FIELDS, type BillField } from '../../core/billMapping/billMapping.ts'
import { DATE_ORDERS } from '../../core/table/readDate.ts'
import { ToggleRow } from '../../interface/ToggleRow'
import { BILL_FIELD_NAMES } from '../../wording/billMapping.ts'
import { RoleList } from '../table/RoleList'
import type { BillEdit } from './useBillMapping.ts'

const NOT_USED = 'not used'
const TAG = 'tag'

interface BillColumnEditorProps {
  readonly heading: string
  /** What it is taken for. */
  readonly fields: readonly BillField[]
  readonly edit: BillEdit
}

/** What one column of a bill is, and how its dates and figures are written. */
export function BillColumnEditor({ heading, fields, edit }: BillColumnEditorProps) {
  const { mapping, sample, change, setField } = edit
  const isTag = mapping.tags.includes(heading)
  const put = (id: string): void => {
    const field = BILL_FIELDS.find((each) => each === id)
    const others = mapping.tags.filter((tag) => tag !== heading)
    if (field) {
      setField(field, { from: 'column', column: heading })
      return
    }
    const kept = Object.fromEntries(
      Object.entries(mapping.fields).filter(
        ([, source]) => source.from !== 'column' || source.column !== heading,
      ),
    )
    change({ ...mapping, fields: kept, tags: id === TAG ? [...others, heading] : others })
  }
  const isDate = fields.some((field) => field === 'start' || field === 'end')
  return (
    <>
      <RoleList
        label={`What ${heading} is`}
        chosen={fields.length > 1 ? undefined : (fields[0] ?? (isTag ? TAG : NOT_USED))}
        options={[
          ...BILL_FIELDS.map((id) => ({ id, name: BILL_FIELD_NAMES[id] })),
          { id: TAG, name: TAG },
          { id: NOT_USED, name: NOT_USED },
        ]}
        onChange={put}
      />
      {fields.length > 1 && <p>Read as {fields.map((field) => BILL_FIELD_NAMES[field]).join(' and ')}.</p>}
      {isDate && sample.rows.length > 0 && <DateOrderAnswer edit={edit} />}
      {fields.some((field) => field === 'cost' || field === 'quantity' || field === 'unitPrice') && (
        <DecimalAnswer edit={edit} />
      )}
    </>
  )
}

export function DateOrderAnswer({ edit }: { readonly edit: BillEdit }) {
  const { mapping, change } = edit
  return (
    <ToggleRow
      label="Order of dates"
      mode="one"
      options={DATE_ORDERS.map((id) => ({
        id,
        label: id === 'day-first' ? '1/2/2027 is 1 February' : '1/2/2027 is 2 January',
      }))}
      chosen={[mapping.dates]}
      onChange={([dates]) => dates && change({ ...mapping, dates }, 'dates')}
    />
  )
}

export function DecimalAnswer({ edit }: { readonly edit: BillEdit }) {
  const { mapping, change } = edit
  return (
    <ToggleRow
      label="Decimal mark"
      mode="one"
      options={[
        { id: '.', label: 'decimals 1.5' },
        { id: ',', label: 'decimals 1,5' },
      ]}
      chosen={[mapping.decimalMark]}
      onChange={([mark]) =>
        mark && change({ ...mapping, decimalMark: mark === ',' ? ',' : '.' }, 'decimalMark')
      }
    />
  )
}
