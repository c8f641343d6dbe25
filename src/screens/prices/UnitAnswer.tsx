'use client'

import { MEMORY_UNITS, MOST_PER_COUNT, type ListUnits } from '../../core/pricelist/listMapping.ts'
import { withWritten, writtenOf } from '../../core/pricelist/withWritten.ts'
import { PARTS_OF_MONEY, PRICE_PERIODS } from '../../core/table/priceUnit.ts'
import { DATE_ORDERS } from '../../core/table/readDate.ts'
import { Dropdown } from '../../interface/Dropdown'
import { NumberInput } from '../../interface/NumberInput'
import { DATE_ORDER_NAMES, PARTS_NAMES, PERIOD_NAMES } from '../../wording/list'
import { MappingRow } from './MappingRow'
import type { MappingEdit } from './useMapping.ts'

const EACH = [
  { id: 'machine', name: 'the machine' },
  { id: 'vcpu', name: 'each vCPU' },
  { id: 'core', name: 'each core' },
] as const
const MARKS = [
  { id: '.', name: 'a point: 1.5' },
  { id: ',', name: 'a comma: 1,5' },
] as const
const ROOMS = MEMORY_UNITS.map((id) => ({ id, name: id }))

/** What each is called beside its answer. */
export const UNIT_NAMES = {
  decimalMark: 'decimals',
  period: 'price per',
  perCount: 'quantity',
  parts: 'amounts in',
  each: 'price of',
  vcpuPerCount: 'counted as',
  memory: 'memory in',
  diskRoom: 'size in',
  dateOrder: 'dates',
} as const satisfies Record<keyof ListUnits, string>

interface UnitAnswerProps {
  readonly question: keyof ListUnits
  /** Of one column, which may be written otherwise than the rest. */
  readonly column?: string
  readonly edit: MappingEdit
}

/** How one thing of a list is counted, with its answer. */
export function UnitAnswer({ question, column, edit }: UnitAnswerProps) {
  const { meaning, setMeaning } = edit
  const own = column === undefined ? undefined : writtenOf(meaning, column)
  const isOwn = (question === 'decimalMark' || question === 'dateOrder') && own?.[question] !== undefined
  const units = { ...edit.units, ...(isOwn && { [question]: own![question] }) }
  const setUnits: MappingEdit['setUnits'] = (part, answered) =>
    isOwn ? setMeaning(withWritten(meaning, own!.column, part), answered) : edit.setUnits(part, answered)
  const choice = <Id extends string>(
    label: string,
    value: string,
    options: readonly { readonly id: Id; readonly name: string }[],
    unitsOf: (id: Id) => Partial<ListUnits>,
  ) => (
    <Dropdown
      label={label}
      value={value}
      options={options}
      onChange={(id) => setUnits(unitsOf(options.find((each) => each.id === id)!.id), question)}
    />
  )
  const row = (children: React.ReactNode) => (
    <MappingRow name={UNIT_NAMES[question]} question={question} edit={edit}>
      {children}
    </MappingRow>
  )
  switch (question) {
    case 'decimalMark':
      return row(choice('Decimal mark', units.decimalMark ?? '.', MARKS, (decimalMark) => ({ decimalMark })))
    case 'period':
      return row(
        choice(
          'Period of a price',
          units.period,
          PRICE_PERIODS.map((id) => ({ id, name: PERIOD_NAMES[id] })),
          (period) => ({ period }),
        ),
      )
    case 'perCount':
      return row(
        <NumberInput
          label="Quantity that a price is for"
          unit=""
          value={units.perCount}
          step={1}
          most={MOST_PER_COUNT}
          onChange={(value) => setUnits({ perCount: Math.max(1, Math.round(value)) }, 'perCount')}
        />,
      )
    case 'parts':
      return row(
        choice(
          'Unit of amounts',
          String(units.parts ?? 1),
          PARTS_OF_MONEY.map((parts) => ({ id: String(parts), name: PARTS_NAMES[parts] })),
          (parts) => ({ parts: Number(parts) }),
        ),
      )
    case 'each':
      return row(choice('What a price is of', units.each ?? 'machine', EACH, (each) => ({ each })))
    case 'vcpuPerCount':
      return row(
        choice(
          'What vCPU are counted in',
          String(units.vcpuPerCount),
          [
            { id: '1', name: 'vCPU' },
            { id: '2', name: 'cores of 2 vCPU' },
          ],
          (count) => ({ vcpuPerCount: Number(count) }),
        ),
      )
    case 'memory':
      return row(choice('Unit of memory', units.memory, ROOMS, (memory) => ({ memory })))
    case 'diskRoom':
      return row(choice('Unit of disk size and traffic', units.diskRoom, ROOMS, (diskRoom) => ({ diskRoom })))
    case 'dateOrder':
      return row(
        choice(
          'Order of dates',
          units.dateOrder ?? 'day-first',
          DATE_ORDERS.map((id) => ({ id, name: DATE_ORDER_NAMES[id] })),
          (dateOrder) => ({ dateOrder }),
        ),
      )
  }
}
