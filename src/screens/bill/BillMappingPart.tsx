'use client'

import { useMemo, useState } from 'react'
import styled from 'styled-components'
import {
  BILL_FIELDS,
  lackingFields,
  ROW_USES,
  type BillField,
  type BillMapping,
  type BillRecipe,
  type BillSource,
} from '../../core/billMapping/billMapping.ts'
import { DATE_ORDERS } from '../../core/table/readDate.ts'
import { unitOf, wordsOf } from '../../core/billMapping/proposeBillMapping.ts'
import { focusUnit } from '../../core/bill/focusUnit.ts'
import { zonesOf } from '../../files/bill/zonesOf.ts'
import type { SampledBill } from '../../files/bill/billSample.ts'
import type { BillFile } from '../../files/bill/billParts.ts'
import { writeBillRecipe } from '../../files/bill/billRecipeFile.ts'
import { Button } from '../../interface/Button'
import { Dropdown } from '../../interface/Dropdown'
import { TextInput } from '../../interface/TextInput'
import { ToggleRow } from '../../interface/ToggleRow'
import { media } from '../../interface/theme/media'
import { billSampleAsker } from '../../workers/askers.ts'
import { useAnswer } from '../../workers/useAnswer.ts'
import { BILL_FIELD_NAMES, ROW_USE_NAMES } from '../../wording/billMapping.ts'
import { download } from '../workbench/download.ts'
import { useWorkbench } from '../workbench/WorkbenchContext'
import { BillLine, BillTable } from './BillPage'
import { FieldChoice } from './FieldChoice'
import { MappedPreview } from './MappedPreview'

interface BillMappingPartProps {
  readonly files: readonly BillFile[]
  readonly onRead: (recipe: BillRecipe) => void
}

/** What the columns of a bill mean that does not follow FOCUS: proposed, to be looked at, and kept for the next one. */
export function BillMappingPart({ files, onRead }: BillMappingPartProps) {
  const { state } = useWorkbench()
  const provider = state.books[0]?.provider.name ?? 'Biller'
  const asked = useMemo(() => ({ files, provider }), [files, provider])
  const { answer, failure } = useAnswer(billSampleAsker, asked)
  if (failure !== undefined || (answer && !answer.ok)) return null
  return answer?.ok ? <Mapping sample={answer.value} onRead={onRead} /> : <p>Looking at its columns…</p>
}

function Mapping({
  sample,
  onRead,
}: { readonly sample: SampledBill } & Pick<BillMappingPartProps, 'onRead'>) {
  const { state, keptBooks } = useWorkbench()
  const { headings, rows, proposed, unsure, name } = sample
  const [mapping, setMapping] = useState<BillMapping>(proposed)
  const { fields, kinds, units } = mapping
  const lacking = lackingFields(mapping, headings)
  const recipe: BillRecipe = { ...mapping, headings: headings.filter((heading) => heading !== '') }
  const setField = (field: BillField, source: BillSource | undefined): void => {
    const { [field]: _, ...others } = fields
    const next = source ? { ...others, [field]: source } : others
    const isWord = field === 'kind' || field === 'unit'
    setMapping({ ...mapping, fields: next, ...(isWord && wordsOf(next, sample)) })
  }
  const unknown = unknownUnits(sample, mapping)
  const providers = [...new Set([mapping.provider, ...state.books.map((book) => book.provider.name)])]
  const zones = zonesOf(keptBooks)
  return (
    <section aria-label="What its columns mean" data-testid="bill-mapping">
      <h2>Is it a bill of another shape? Say what its columns mean.</h2>
      <p>
        {name}: what is filled in is proposed by the headings and by what stands below them. It is kept for
        the next bill of this shape.
      </p>
      <Sides>
        <BillTable>
          <tbody>
            <tr>
              <th scope="row">provider</th>
              <td>
                <Dropdown
                  label="Provider of the bill"
                  value={mapping.provider}
                  options={providers.map((each) => ({ id: each, name: each }))}
                  onChange={(each) => setMapping({ ...mapping, provider: each })}
                />
              </td>
            </tr>
            {BILL_FIELDS.map((field) => (
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
            <tr>
              <th scope="row">1/2/2027 is</th>
              <td>
                <ToggleRow
                  label="Order of dates"
                  mode="one"
                  options={DATE_ORDERS.map((id) => ({
                    id,
                    label: id === 'day-first' ? '1 February' : '2 January',
                  }))}
                  chosen={[mapping.dates]}
                  onChange={([dates]) => dates && setMapping({ ...mapping, dates })}
                />
                {unsure.includes('dates') && <small>a guess: every date can be read both ways</small>}
              </td>
            </tr>
            <tr>
              <th scope="row">decimals</th>
              <td>
                <ToggleRow
                  label="Mark of decimals"
                  mode="one"
                  options={[
                    { id: '.', label: '1.5' },
                    { id: ',', label: '1,5' },
                  ]}
                  chosen={[mapping.decimalMark]}
                  onChange={([mark]) =>
                    mark && setMapping({ ...mapping, decimalMark: mark === ',' ? ',' : '.' })
                  }
                />
                {unsure.includes('decimalMark') && <small>a guess: no amount of the file tells</small>}
              </td>
            </tr>
          </tbody>
        </BillTable>
        <div>
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
                      setMapping({
                        ...mapping,
                        kinds: kinds.map((each) => (each.text === text ? { text, is: use } : each)),
                      })
                  }}
                />
              </li>
            ))}
          </Kinds>
          {unknown.length > 0 && (
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
                        setMapping({ ...mapping, units: typed === '' ? others : [...others, { text, is }] })
                      }}
                    />
                  </li>
                ))}
              </Kinds>
            </>
          )}
          <MappedPreview
            mapping={mapping}
            headings={headings}
            rows={rows}
            zone={zones.byProvider?.get(mapping.provider.toLowerCase()) ?? zones.timeZone}
          />
        </div>
      </Sides>
      {lacking.length > 0 && (
        <p role="status">Still to say: {lacking.map((field) => BILL_FIELD_NAMES[field]).join(', ')}.</p>
      )}
      <BillLine>
        <Button isDisabled={lacking.length > 0} onPress={() => onRead(recipe)}>
          Read it so
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

/** Units of the sample that no word tells and nobody has said. */
function unknownUnits({ headings, rows }: SampledBill, { fields }: BillMapping): string[] {
  const source = fields.unit
  if (source?.from !== 'column') return []
  const at = headings.indexOf(source.column)
  const all = [...new Set(rows.map((row) => (row[at] ?? '').trim()))].filter((text) => text !== '')
  return all.filter((text) => unitOf(text) === undefined).slice(0, 20)
}

const Sides = styled.div`
  display: grid;
  grid-template-columns: minmax(0, 1fr) minmax(0, 1fr);
  gap: 12px 32px;
  margin: 10px 0;

  h3 {
    margin: 10px 0 4px;
    font-size: 13px;
  }
  ${media.narrow} {
    grid-template-columns: minmax(0, 1fr);
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
