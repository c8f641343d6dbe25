'use client'

import { MEMORY_UNITS, MOST_PER_COUNT } from '../../core/pricelist/listMapping.ts'
import { PARTS_OF_MONEY, PRICE_PERIODS } from '../../core/table/priceUnit.ts'
import { DATE_ORDERS } from '../../core/table/readDate.ts'
import { Dropdown } from '../../interface/Dropdown'
import { NumberInput } from '../../interface/NumberInput'
import { DATE_ORDER_NAMES, PARTS_NAMES, PERIOD_NAMES } from '../../wording/list'
import { MappingCurrencies } from './MappingCurrencies'
import { MappingRow } from './MappingRow'
import type { MappingEdit } from './useMapping.ts'

const EACH = [
  { id: 'machine', name: 'the machine' },
  { id: 'vcpu', name: 'each vCPU' },
  { id: 'core', name: 'each core' },
] as const

/** How what the columns hold is counted. */
export function MappingUnits({ edit }: { readonly edit: MappingEdit }) {
  const { meaning, units, setUnits } = edit
  const isSizes = meaning.is === 'size-price'
  const unitOptions = MEMORY_UNITS.map((id) => ({ id, name: id }))
  return (
    <>
      {isSizes && (
        <>
          <MappingRow name="counted as" question="vcpuPerCount" edit={edit}>
            <Dropdown
              label="What vCPU are counted in"
              value={String(units.vcpuPerCount)}
              options={[
                { id: '1', name: 'vCPU' },
                { id: '2', name: 'cores of 2 vCPU' },
              ]}
              onChange={(id) => setUnits({ vcpuPerCount: Number(id) }, 'vcpuPerCount')}
            />
          </MappingRow>
          <MappingRow name="in" question="memory" edit={edit}>
            <Dropdown
              label="Unit of memory"
              value={units.memory}
              options={unitOptions}
              onChange={(id) => setUnits({ memory: MEMORY_UNITS.find((each) => each === id)! }, 'memory')}
            />
          </MappingRow>
        </>
      )}
      {!isSizes && meaning.is !== 'address-price' && (
        <MappingRow name="each" question="diskRoom" edit={edit}>
          <Dropdown
            label="Unit of room"
            value={units.diskRoom}
            options={unitOptions}
            onChange={(id) => setUnits({ diskRoom: MEMORY_UNITS.find((each) => each === id)! }, 'diskRoom')}
          />
        </MappingRow>
      )}
      {meaning.is !== 'traffic-price' && (
        <MappingRow name="price for" question="period" edit={edit}>
          <Dropdown
            label="What a price of the list is for"
            value={units.period}
            options={PRICE_PERIODS.map((id) => ({ id, name: PERIOD_NAMES[id] }))}
            onChange={(id) => setUnits({ period: PRICE_PERIODS.find((each) => each === id)! }, 'period')}
          />
        </MappingRow>
      )}
      {isSizes && (
        <MappingRow name="of" question="each" edit={edit}>
          <Dropdown
            label="What a price is of"
            value={units.each ?? 'machine'}
            options={EACH}
            onChange={(id) => setUnits({ each: EACH.find((each) => each.id === id)!.id }, 'each')}
          />
        </MappingRow>
      )}
      <MappingRow name="for so many" question="perCount" edit={edit}>
        <NumberInput
          label="For how many a price is"
          unit="at once"
          value={units.perCount}
          step={1}
          most={MOST_PER_COUNT}
          onChange={(value) => setUnits({ perCount: Math.max(1, Math.round(value)) }, 'perCount')}
        />
      </MappingRow>
      <MappingRow name="in" question="parts" edit={edit}>
        <Dropdown
          label="What prices are counted in"
          value={String(units.parts ?? 1)}
          options={PARTS_OF_MONEY.map((parts) => ({ id: String(parts), name: PARTS_NAMES[parts] }))}
          onChange={(id) => setUnits({ parts: Number(id) }, 'parts')}
        />
      </MappingRow>
      <MappingCurrencies edit={edit} />
      <MappingRow name="decimals by" question="decimalMark" edit={edit}>
        <Dropdown
          label="Mark before decimals"
          value={units.decimalMark ?? '.'}
          options={[
            { id: '.', name: 'a point' },
            { id: ',', name: 'a comma' },
          ]}
          onChange={(id) => setUnits({ decimalMark: id === ',' ? ',' : '.' }, 'decimalMark')}
        />
      </MappingRow>
      {(meaning.fields.validFrom ?? meaning.fields.validTo) && (
        <MappingRow name="dates" question="dateOrder" edit={edit}>
          <Dropdown
            label="What dates begin with"
            value={units.dateOrder ?? 'day-first'}
            options={DATE_ORDERS.map((id) => ({ id, name: DATE_ORDER_NAMES[id] }))}
            onChange={(id) => setUnits({ dateOrder: DATE_ORDERS.find((each) => each === id)! }, 'dateOrder')}
          />
        </MappingRow>
      )}
    </>
  )
}
