'use client'

import { MEMORY_UNITS, PRICE_PERIODS } from '../../core/pricelist/listMapping.ts'
import { Dropdown } from '../../interface/Dropdown'
import { PERIOD_NAMES } from '../../wording/list'
import { MappingCurrencies } from './MappingCurrencies'
import { MappingRow } from './MappingRow'
import type { MappingEdit } from './useMapping.ts'

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
      <MappingRow name="per" question="perCount" edit={edit}>
        <Dropdown
          label="For how many a price is"
          value={String(units.perCount)}
          options={[
            { id: '1', name: 'one' },
            { id: '1000', name: '1,000' },
            { id: '10000', name: '10,000' },
          ]}
          onChange={(id) => setUnits({ perCount: Number(id) }, 'perCount')}
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
    </>
  )
}
