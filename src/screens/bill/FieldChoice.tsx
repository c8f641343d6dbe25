'use client'

import styled from 'styled-components'
import { NEEDED_FIELDS, type BillField, type BillSource } from '../../core/billMapping/billMapping.ts'
import type { SampledBill } from '../../files/bill/billSample.ts'
import { Dropdown } from '../../interface/Dropdown'
import { TextInput } from '../../interface/TextInput'
import { BILL_FIELD_NAMES } from '../../wording/billMapping.ts'
import { BillLine } from './BillPage'

const NOT_SAID = 'not said'
const SAME = 'the same in every row'
const COLUMN = 'column '

interface FieldChoiceProps {
  readonly field: BillField
  readonly source: BillSource | undefined
  readonly sample: SampledBill
  readonly isLacking: boolean
  readonly onChange: (source: BillSource | undefined) => void
}

/** Which column says a field, or which text for every row. */
export function FieldChoice({ field, source, sample, isLacking, onChange }: FieldChoiceProps) {
  const { headings, rows } = sample
  const name = BILL_FIELD_NAMES[field]
  const shownOf = (at: number): string =>
    rows.find((row) => (row[at] ?? '').trim() !== '')?.[at]?.slice(0, 40) ?? 'empty'
  return (
    <BillLine>
      <Dropdown
        label={`Column of ${name}`}
        value={source ? (source.from === 'column' ? COLUMN + source.column : SAME) : NOT_SAID}
        options={[
          { id: NOT_SAID, name: NEEDED_FIELDS.includes(field) ? 'choose a column' : NOT_SAID },
          { id: SAME, name: SAME },
          ...headings.flatMap((heading, at) =>
            heading === '' ? [] : [{ id: COLUMN + heading, name: heading, note: shownOf(at) }],
          ),
        ]}
        onChange={(id) =>
          onChange(
            id === NOT_SAID
              ? undefined
              : id === SAME
                ? { from: 'constant', text: source?.from === 'constant' ? source.text : '' }
                : { from: 'column', column: id.slice(COLUMN.length) },
          )
        }
      />
      {source?.from === 'constant' && (
        <TextInput
          label={`${name} of every row`}
          value={source.text}
          check={() => undefined}
          onCommit={(text) => onChange({ from: 'constant', text: text.slice(0, 80) })}
        />
      )}
      {isLacking && <Lacking>needed</Lacking>}
    </BillLine>
  )
}

const Lacking = styled.span`
  color: var(--leak);
  font-size: 12px;
`
