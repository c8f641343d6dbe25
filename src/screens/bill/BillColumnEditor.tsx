'use client'

import { BILL_FIELDS, type BillField } from '../../core/billMapping/billMapping.ts'
import { withBillRole, type BillRole } from '../../core/billMapping/withBillRole.ts'
import { DATE_ORDERS } from '../../core/table/readDate.ts'
import { ToggleRow } from '../../interface/ToggleRow'
import { BILL_FIELD_NAMES } from '../../wording/billMapping.ts'
import { RoleList } from '../table/RoleList'
import type { BillEdit } from './useBillMapping.ts'

const ROLES: readonly BillRole[] = [...BILL_FIELDS, 'tag', 'not used']
const NAMES: Readonly<Record<BillRole, string>> = {
  ...BILL_FIELD_NAMES,
  tag: 'tag',
  'not used': 'not used',
}

interface BillColumnEditorProps {
  readonly heading: string
  /** What it is taken for. */
  readonly fields: readonly BillField[]
  readonly edit: BillEdit
}

/** What one column of a bill is, and how its dates and figures are written. */
export function BillColumnEditor({ heading, fields, edit }: BillColumnEditorProps) {
  const { mapping, sample, change } = edit
  const isTag = mapping.tags.includes(heading)
  const isDate = fields.some((field) => field === 'start' || field === 'end')
  return (
    <>
      <RoleList
        label={`What ${heading} is`}
        chosen={fields.length > 1 ? undefined : (fields[0] ?? (isTag ? 'tag' : 'not used'))}
        options={ROLES.map((id) => ({ id, name: NAMES[id] }))}
        onChange={(id) => {
          const role = ROLES.find((each) => each === id)
          if (role) change(withBillRole(mapping, heading, role, sample))
        }}
      />
      {fields.length > 1 && <p>Read as {fields.map((field) => BILL_FIELD_NAMES[field]).join(' and ')}.</p>}
      {isDate && <DateOrderAnswer edit={edit} />}
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
