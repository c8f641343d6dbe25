'use client'

import { useMemo } from 'react'
import styled from 'styled-components'
import { billCellBecame } from '../../core/billMapping/billCellBecame.ts'
import {
  BILL_FIELDS,
  lackingFields,
  type BillField,
  type BillMapping,
  type BillRecipe,
  type RowUse,
} from '../../core/billMapping/billMapping.ts'
import { mappedRows } from '../../core/billMapping/mappedRows.ts'
import { writeBillRecipe } from '../../files/bill/billRecipeFile.ts'
import type { SampledBill } from '../../files/bill/billSample.ts'
import { zonesOf } from '../../files/bill/zonesOf.ts'
import { Button } from '../../interface/Button'
import { media } from '../../interface/theme/media'
import { BILL_FAULTS, BILL_FIELD_NAMES, ROW_USE_NAMES } from '../../wording/billMapping.ts'
import { DATE_ORDER_NAMES } from '../../wording/list.ts'
import type { HeadedColumn } from '../table/ColumnHead'
import { MappedTable, type MappedRow } from '../table/MappedTable'
import { download } from '../workbench/download.ts'
import { useWorkbench } from '../workbench/WorkbenchContext'
import { BillAnswers } from './BillAnswers'
import { BillColumnEditor } from './BillColumnEditor'
import { BillLine } from './BillPage'
import { useBillMapping, type BillEdit } from './useBillMapping.ts'

const ROWS_SHOWN = 60
const FIGURES: ReadonlySet<BillField> = new Set(['quantity', 'unitPrice', 'cost', 'vcpu', 'memory'])

interface BillColumnsProps {
  readonly sample: SampledBill
  readonly onRead: (recipe: BillRecipe) => void
}

/** The first rows of a bill of another shape under what each of its columns is, and what is left to say beside them. */
export function BillColumns({ sample, onRead }: BillColumnsProps) {
  const { keptBooks } = useWorkbench()
  const edit = useBillMapping(sample)
  const { mapping, undo } = edit
  const { headings, rows, name } = sample
  const lacking = lackingFields(mapping, headings)
  const recipe: BillRecipe = { ...mapping, headings: headings.filter((heading) => heading !== '') }
  const zones = zonesOf(keptBooks)
  const zone = zones.byProvider?.get(mapping.provider.toLowerCase()) ?? zones.timeZone
  const read = useMemo(() => rows.map(mappedRows(mapping, headings, zone)), [mapping, headings, rows, zone])
  const uses = useMemo(() => usesOf(mapping, sample), [mapping, sample])
  const fields = headings.map((heading) => fieldsOf(edit, heading))
  const shown = rows.slice(0, ROWS_SHOWN).map((cells, i): MappedRow => {
    const isUsed = uses[i] !== 'left-out'
    return {
      row: sample.numbers[i]!,
      isUsed,
      why: isUsed ? undefined : ROW_USE_NAMES['left-out'],
      became: ROW_USE_NAMES[uses[i]!],
      cells: headings.map((_, at) => {
        const text = cells[at] ?? ''
        const told = fields[at]!.map((field) => billCellBecame(field, text, read[i]!))
        const fault = told.find((each) => each.fault)?.fault
        return {
          text,
          became: told.find((each) => each.became !== undefined)?.became,
          ...(fault && { fault: BILL_FAULTS[fault] }),
        }
      }),
    }
  })
  return (
    <section aria-label="What its columns mean" data-testid="bill-mapping">
      <h2>Is it a bill of another shape? Say what its columns are.</h2>
      <p>
        {name}: proposed from the headings and the cells. Press a column’s head to change it. It is kept for
        the next bill of this shape.
      </p>
      <Sides>
        <MappedTable
          label="The first rows of the bill"
          becomes="becomes"
          columns={headings.map((heading, i) => headOf(heading, fields[i]!, edit))}
          rows={shown}
        />
        <BillAnswers edit={edit} read={read} uses={uses} lacking={lacking} />
      </Sides>
      {lacking.length > 0 && (
        <p role="status">Still to say: {lacking.map((field) => BILL_FIELD_NAMES[field]).join(', ')}.</p>
      )}
      <BillLine>
        <Button isDisabled={lacking.length > 0} onPress={() => onRead(recipe)}>
          Read it so
        </Button>
        <Button isDisabled={!undo} onPress={() => undo?.()}>
          Undo in the bill
        </Button>
        <Button
          isDisabled={lacking.length > 0}
          onPress={() =>
            download(`${mapping.provider}.bill-recipe.json`, writeBillRecipe(recipe), 'application/json')
          }
        >
          Export the recipe
        </Button>
      </BillLine>
    </section>
  )
}

const fieldsOf = ({ mapping }: BillEdit, heading: string): readonly BillField[] =>
  BILL_FIELDS.filter((field) => {
    const source = mapping.fields[field]
    return source?.from === 'column' && source.column === heading
  })

/** What each row of the sample is, by what its kind reads. */
function usesOf({ fields, kinds }: BillMapping, { headings, rows }: SampledBill): RowUse[] {
  const known = new Map(kinds.map(({ text, is }) => [text, is]))
  const { kind } = fields
  const at = kind?.from === 'column' ? headings.indexOf(kind.column) : -1
  return rows.map((row) => {
    const text = kind?.from === 'constant' ? kind.text : (row[at] ?? '').trim()
    return known.get(text) ?? 'left-out'
  })
}

function headOf(heading: string, fields: readonly BillField[], edit: BillEdit): HeadedColumn {
  const { mapping, unsure } = edit
  const isDate = fields.some((field) => field === 'start' || field === 'end')
  const isFigure = fields.some((field) => FIGURES.has(field))
  const guesses = [
    ...(isDate && unsure.includes('dates') ? [DATE_ORDER_NAMES[mapping.dates]] : []),
    ...(isFigure && unsure.includes('decimalMark') ? [mapping.decimalMark === ',' ? '1,5' : '1.5'] : []),
  ]
  const isTag = mapping.tags.includes(heading)
  return {
    column: heading,
    ...(fields.length > 0
      ? { role: fields.map((field) => BILL_FIELD_NAMES[field]).join(', ') }
      : isTag && { role: 'tag' }),
    details: [...(isDate ? ['in UTC'] : []), ...guesses].join(', '),
    isAssumed: guesses.length > 0,
    isFigure,
    editor: () => <BillColumnEditor heading={heading} fields={fields} edit={edit} />,
  }
}

const Sides = styled.div`
  display: grid;
  grid-template-columns: minmax(0, 1fr) 330px;
  gap: 12px 24px;
  align-items: start;
  margin: 10px 0;

  h3 {
    margin: 10px 0 4px;
    font-size: 13px;
  }
  h3:first-child {
    margin-top: 0;
  }
  ${media.narrow} {
    grid-template-columns: minmax(0, 1fr);
  }
`
