'use client'

import styled from 'styled-components'
import type { BillMapping } from '../../core/billMapping/billMapping.ts'
import { MAPPED_COLUMNS, mappedRows } from '../../core/billMapping/mappedRows.ts'

interface MappedPreviewProps {
  readonly mapping: BillMapping
  readonly headings: readonly string[]
  readonly rows: readonly (readonly string[])[]
  readonly zone: string
}

const SHOWN = 5
const at = (column: (typeof MAPPED_COLUMNS)[number]): number => MAPPED_COLUMNS.indexOf(column)

/** The first rows as they are understood. */
export function MappedPreview({ mapping, headings, rows, zone }: MappedPreviewProps) {
  const read = mappedRows(mapping, headings, zone)
  return (
    <section aria-label="How the first rows are understood">
      <h3>How the first rows are understood</h3>
      <List>
        {rows.slice(0, SHOWN).map((cells, i) => {
          const row = read(cells)
          const said = (column: (typeof MAPPED_COLUMNS)[number]): string => row[at(column)] ?? ''
          const meter = said('SkuMeter') || said('ChargeCategory').toLowerCase()
          const isOut = said('ServiceCategory') === 'Other' && said('ChargeCategory') === 'Usage'
          return (
            <li key={i}>
              {timeText(said('ChargePeriodStart'))} to {timeText(said('ChargePeriodEnd'))}, UTC:{' '}
              <b>{said('ResourceName') || 'no resource'}</b>, {isOut ? 'left out' : meter},{' '}
              {said('PricingQuantity') || 'no quantity'} {said('PricingUnit')}, costs{' '}
              <b>
                {said('EffectiveCost') || 'nothing said'} {said('BillingCurrency')}
              </b>
            </li>
          )
        })}
      </List>
    </section>
  )
}

const timeText = (text: string): string => {
  if (!/^\d{4}-.*Z$/.test(text)) return `“${text}”, which is no date`
  return text.replace('T', ' ').replace(/(:\d{2})?:\d{2}Z$/, (clock) => clock.slice(0, 3))
}

const List = styled.ol`
  display: grid;
  gap: 4px;
  font-size: 12.5px;
  color: var(--ink-2);

  b {
    color: var(--ink);
  }
`
