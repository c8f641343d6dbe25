'use client'

import styled from 'styled-components'
import type { WeekPlan } from '../../core/calendar/weekPlan.ts'
import type { PriceBook } from '../../core/catalogue/priceBook.ts'
import { ENCODINGS, SEPARATORS, type Encoding, type Separator } from '../../files/inventory/inventoryTable.ts'
import { Dropdown } from '../../interface/Dropdown'
import type { TableSettings } from './tableSettings.ts'

const SEPARATOR_NAMES = { ',': 'a comma', ';': 'a semicolon', '\t': 'a tab', '|': 'a bar' } as const
const ENCODING_NAMES = {
  'utf-8': 'UTF-8',
  'windows-1252': 'Windows-1252',
  'utf-16le': 'UTF-16',
  'utf-16be': 'UTF-16, big end first',
} as const

interface TableFormProps {
  readonly settings: TableSettings
  readonly onChange: (settings: TableSettings) => void
  readonly weeks: readonly WeekPlan[]
  readonly providers: readonly PriceBook[]
}

/** How a table is written, and what rows that do not say get. It starts with what was recognised. */
export function TableForm({ settings, onChange, weeks, providers }: TableFormProps) {
  return (
    <Lines>
      <p>
        <span>Columns are parted by</span>
        <Dropdown
          label="Separator of columns"
          value={settings.separator}
          options={SEPARATORS.map((id) => ({ id, name: SEPARATOR_NAMES[id] }))}
          onChange={(separator) => onChange({ ...settings, separator: separator as Separator })}
        />
        <span>text is</span>
        <Dropdown
          label="Encoding of the file"
          value={settings.encoding}
          options={ENCODINGS.map((id) => ({ id, name: ENCODING_NAMES[id] }))}
          onChange={(encoding) => onChange({ ...settings, encoding: encoding as Encoding })}
        />
        <span>decimals have</span>
        <Dropdown
          label="Decimal mark"
          value={settings.decimal}
          options={[
            { id: '.', name: 'a point, 1.5' },
            { id: ',', name: 'a comma, 1,5' },
          ]}
          onChange={(decimal) => onChange({ ...settings, decimal: decimal as '.' | ',' })}
        />
        <span>memory and disks are in</span>
        <Dropdown
          label="Unit of memory and disks"
          value={settings.unit}
          options={[
            { id: 'GiB', name: 'GiB, 2³⁰ bytes' },
            { id: 'GB', name: 'GB, 10⁹ bytes' },
          ]}
          onChange={(unit) => onChange({ ...settings, unit: unit as 'GiB' | 'GB' })}
        />
      </p>
      <p>
        <span>Where a row does not say, it is at</span>
        <Dropdown
          label="Provider of rows that name none"
          value={settings.provider}
          options={providers.map(({ provider }) => ({ id: provider.id, name: provider.name }))}
          onChange={(provider) => onChange({ ...settings, provider })}
        />
        <span>and on the week</span>
        <Dropdown
          label="Week of rows that name none"
          value={settings.week}
          options={weeks.map(({ id, name }) => ({ id, name }))}
          onChange={(week) => onChange({ ...settings, week })}
        />
      </p>
    </Lines>
  )
}

const Lines = styled.div`
  display: grid;
  gap: 6px;

  p {
    display: flex;
    flex-wrap: wrap;
    gap: 5px 8px;
    align-items: baseline;
  }
`
