'use client'

import { useState } from 'react'
import styled from 'styled-components'
import { focusUnit } from '../../core/bill/focusUnit.ts'
import { BILL_FIELDS, ROW_USES, type BillField, type RowUse } from '../../core/billMapping/billMapping.ts'
import { billSums } from '../../core/billMapping/billSums.ts'
import { unitOf } from '../../core/billMapping/proposeBillMapping.ts'
import { Button } from '../../interface/Button'
import { Dropdown } from '../../interface/Dropdown'
import { TextInput } from '../../interface/TextInput'
import { BILL_FIELD_NAMES, ROW_USE_NAMES } from '../../wording/billMapping.ts'
import { formatNumber } from '../../wording/number'
import { useWorkbench } from '../workbench/WorkbenchContext'
import { DateOrderAnswer, DecimalAnswer } from './BillColumnEditor'
import { BillTable } from './BillPage'
import { FieldChoice } from './FieldChoice'
import type { BillEdit } from './useBillMapping.ts'

interface BillAnswersProps {
  readonly edit: BillEdit
  /** The sample's rows as they are read, and what each is. */
  readonly read: readonly (readonly string[])[]
  readonly uses: readonly RowUse[]
  readonly lacking: readonly BillField[]
}

/** The bill so far, what was guessed, and what no column says. */
export function BillAnswers({ edit, read, uses, lacking }: BillAnswersProps) {
  const { sample, mapping, unsure, change, setField } = edit
  const { state } = useWorkbench()
  const { fields, kinds } = mapping
  // What was assumed stays where it is when it is answered.
  const [guessed] = useState(unsure)
  const [shown, setShown] = useState<readonly BillField[]>([])
  const isApart = (field: BillField): boolean =>
    fields[field]?.from === 'constant' || lacking.includes(field) || shown.includes(field)
  const more = BILL_FIELDS.filter((field) => !fields[field] && !isApart(field))
  const providers = [...new Set([mapping.provider, ...state.books.map((book) => book.provider.name)])]
  return (
    <div>
      <SoFar edit={edit} read={read} uses={uses} />
      {guessed.length > 0 && <h3>Questions</h3>}
      {guessed.includes('decimalMark') && (
        <Guess
          text="Every amount can be read with a point or a comma."
          isOpen={unsure.includes('decimalMark')}
          onConfirm={() => change(mapping, 'decimalMark')}
        >
          <DecimalAnswer edit={edit} />
        </Guess>
      )}
      {guessed.includes('dates') && (
        <Guess
          text="Every date can be read in two ways."
          isOpen={unsure.includes('dates')}
          onConfirm={() => change(mapping, 'dates')}
        >
          <DateOrderAnswer edit={edit} />
        </Guess>
      )}
      <h3>What no column says</h3>
      <BillTable>
        <tbody>
          <tr>
            <th scope="row">provider</th>
            <td>
              <Dropdown
                label="Provider of the bill"
                value={mapping.provider}
                options={providers.map((each) => ({ id: each, name: each }))}
                onChange={(each) => change({ ...mapping, provider: each })}
              />
            </td>
          </tr>
          {BILL_FIELDS.filter(isApart).map((field) => (
            <tr key={field}>
              <th scope="row">{BILL_FIELD_NAMES[field]}</th>
              <td>
                <FieldChoice
                  field={field}
                  source={fields[field]}
                  sample={sample}
                  isLacking={lacking.includes(field)}
                  onChange={(source) => setField(field, source)}
                />
              </td>
            </tr>
          ))}
          {more.length > 0 && (
            <tr>
              <th scope="row">also</th>
              <td>
                <Dropdown
                  label="More that holds for every row"
                  value="add…"
                  options={more.map((id) => ({ id, name: BILL_FIELD_NAMES[id] }))}
                  onChange={(id) => setShown([...shown, ...more.filter((field) => field === id)])}
                />
              </td>
            </tr>
          )}
        </tbody>
      </BillTable>
      <h3>What each kind of row is</h3>
      <Kinds>
        {kinds.map(({ text, is }) => (
          <li key={text}>
            <span>{text === '' ? 'nothing written' : text}</span>
            <Dropdown
              label={`What ${text || 'nothing written'} is`}
              value={is}
              options={ROW_USES.map((id) => ({ id, name: ROW_USE_NAMES[id] }))}
              onChange={(id) => {
                const use = ROW_USES.find((each) => each === id)
                if (use)
                  change({
                    ...mapping,
                    kinds: kinds.map((each) => (each.text === text ? { text, is: use } : each)),
                  })
              }}
            />
          </li>
        ))}
      </Kinds>
      <UnknownUnits edit={edit} />
    </div>
  )
}

/** What the money column adds up to beside what is made of its rows. */
function SoFar({ edit, read, uses }: Pick<BillAnswersProps, 'edit' | 'read' | 'uses'>) {
  const sums = billSums(read, uses)
  const { currency } = edit.mapping.fields
  const money = currency?.from === 'constant' ? ` ${currency.text}` : ''
  return (
    <>
      <h3>The first {formatNumber(read.length)} rows</h3>
      <Sums data-testid="bill-sums">
        <dt>money column</dt>
        <dd>
          <b>
            {sums.all}
            {money}
          </b>
        </dd>
        <dt>of machines and what belongs to them</dt>
        <dd>{sums.machines}</dd>
        <dt>taxes</dt>
        <dd>{sums.taxes}</dd>
        <dt>credits</dt>
        <dd>{sums.credits}</dd>
        <dt>not about machines</dt>
        <dd>{sums.leftOut}</dd>
      </Sums>
      {sums.unread > 0 && (
        <Unread>
          {formatNumber(sums.unread)} {sums.unread === 1 ? 'row has' : 'rows have'} no readable amount.
        </Unread>
      )}
    </>
  )
}

interface GuessProps {
  readonly text: string
  readonly isOpen: boolean
  readonly onConfirm: () => void
  readonly children: React.ReactNode
}

function Guess({ text, isOpen, onConfirm, children }: GuessProps) {
  return (
    <Asked>
      <span>{text}</span>
      {children}
      {isOpen && (
        <Button aria-label={`Confirm: ${text}`} onPress={onConfirm}>
          <em>assumed</em> confirm
        </Button>
      )}
    </Asked>
  )
}

function UnknownUnits({ edit }: { readonly edit: BillEdit }) {
  const { mapping, change } = edit
  const { units } = mapping
  const unknown = unknownUnits(edit)
  if (unknown.length === 0) return null
  return (
    <>
      <h3>Units that are not known</h3>
      <Kinds>
        {unknown.map((text) => (
          <li key={text}>
            <span>{text}</span>
            <TextInput
              label={`What the unit ${text} is`}
              value={units.find((each) => each.text === text)?.is ?? ''}
              whenEmpty="such as Hours"
              check={(typed) =>
                typed === '' || focusUnit(typed)?.time || unitOf(typed)
                  ? undefined
                  : 'A unit such as Hours, Days, GiB, GiB-Months.'
              }
              onCommit={(typed) => {
                const others = units.filter((each) => each.text !== text)
                const is = unitOf(typed) ?? typed
                change({ ...mapping, units: typed === '' ? others : [...others, { text, is }] })
              }}
            />
          </li>
        ))}
      </Kinds>
    </>
  )
}

/** Units of the sample that no word tells and nobody has said. */
function unknownUnits({ sample: { headings, rows }, mapping: { fields } }: BillEdit): string[] {
  const source = fields.unit
  if (source?.from !== 'column') return []
  const at = headings.indexOf(source.column)
  const all = [...new Set(rows.map((row) => (row[at] ?? '').trim()))].filter((text) => text !== '')
  return all.filter((text) => unitOf(text) === undefined).slice(0, 20)
}

const Sums = styled.dl`
  display: grid;
  grid-template-columns: minmax(0, 1fr) auto;
  gap: 2px 12px;

  dt {
    color: var(--ink-2);
  }
  dd {
    margin: 0;
    text-align: right;
    font-variant-numeric: tabular-nums;
  }
`

const Unread = styled.p`
  margin-top: 4px;
  color: var(--leak);
`

const Asked = styled.div`
  display: flex;
  flex-wrap: wrap;
  gap: 4px 8px;
  align-items: center;
  padding: 4px 0;
  border-top: 1px solid var(--rule);

  span {
    flex-basis: 100%;
  }
  em {
    margin-right: 6px;
    font-style: normal;
    border-bottom: 2px dotted var(--held);
  }
`

const Kinds = styled.ul`
  display: grid;

  li {
    display: flex;
    flex-wrap: wrap;
    gap: 4px 12px;
    align-items: baseline;
    justify-content: space-between;
    padding: 4px 0;
    border-top: 1px solid var(--rule);
    overflow-wrap: anywhere;
  }
`
