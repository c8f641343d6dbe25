'use client'

import { useState, type ReactNode } from 'react'
import styled from 'styled-components'
import { MANNERS } from '../../core/manner/manners.ts'
import {
  MEMORY_UNITS,
  PRICE_PERIODS,
  type ListField,
  type ListMapping,
  type ListUnits,
  type MappingQuestion,
  type RowMeaning,
} from '../../core/pricelist/listMapping.ts'
import { LONGEST_NAME } from '../../core/pricelist/readRow.ts'
import { isCurrency } from '../../files/reading/moneyText.ts'
import type { ListReading } from '../../files/pricelist/listAnswer.ts'
import { Button } from '../../interface/Button'
import { Dropdown } from '../../interface/Dropdown'
import { TextInput } from '../../interface/TextInput'
import { LIST_FIELD_NAMES, PERIOD_NAMES } from '../../wording/list'
import { MANNER_NAMES, MANNER_NOTES } from '../../wording/manner'
import { FieldPicker } from './FieldPicker'
import { FilterRows } from './FilterRows'
import { changeOpenList } from './openList.ts'
import { AssumedMark } from './AssumedMark'

interface MappingPanelProps {
  readonly reading: ListReading
  readonly unsure: readonly MappingQuestion[]
}

const OPTIONAL: readonly ListField[] = ['architecture', 'family', 'currency']

/** What a row of the list means: each answer can be changed by itself, and shows on both sides at once. */
export function MappingPanel({ reading, unsure }: MappingPanelProps) {
  const { mapping, columns, sample } = reading
  const { units, rows } = mapping
  const meaning = rows[0]!
  const [shown, setShown] = useState<readonly ListField[]>([])
  const { provider, manner } = reading
  // What is answered is no longer assumed; the rest is kept as it is, whatever is proposed later.
  const change = (next: ListMapping, ...questions: MappingQuestion[]): void =>
    changeOpenList({
      mapping: next,
      assumed: unsure.filter((question) => !questions.includes(question)),
      provider: provider.name,
      manner,
    })
  const setMeaning = (part: Partial<RowMeaning>, ...questions: MappingQuestion[]): void =>
    change({ ...mapping, rows: [{ ...meaning, ...part }, ...rows.slice(1)] }, ...questions)
  const setUnits = (part: Partial<ListUnits>, question: MappingQuestion): void =>
    change({ ...mapping, units: { ...units, ...part } }, question)
  const row = (name: string, question: MappingQuestion | undefined, answer: ReactNode): ReactNode => (
    <Row key={name}>
      <span>{name}</span>
      <Answer>
        {answer}
        {question && unsure.includes(question) && (
          <AssumedMark what={name} onConfirm={() => change(mapping, question)} />
        )}
      </Answer>
    </Row>
  )
  const field = (name: ListField): ReactNode =>
    row(
      LIST_FIELD_NAMES[name],
      `field/${name}`,
      <FieldPicker
        field={name}
        source={meaning.fields[name]}
        columns={columns}
        sample={sample}
        onChange={(source) => {
          const { [name]: _, ...others } = meaning.fields
          setMeaning({ fields: source ? { ...others, [name]: source } : others }, `field/${name}`)
        }}
      />,
    )
  const asked = OPTIONAL.filter((name) => meaning.fields[name] || shown.includes(name))
  const more = OPTIONAL.filter((name) => !asked.includes(name))
  return (
    <Panel aria-label="What a row means">
      <h2>What a row means</h2>
      {row(
        'Provider',
        undefined,
        <TextInput
          label="Provider of the list"
          value={provider.name}
          check={(text) =>
            text.trim() === '' || text.length > LONGEST_NAME ? `1 to ${LONGEST_NAME} letters` : undefined
          }
          onCommit={(text) => changeOpenList({ mapping, assumed: unsure, manner, provider: text.trim() })}
        />,
      )}
      {field('size')}
      {field('vcpu')}
      {row(
        'counted as',
        'vcpuPerCount',
        <Dropdown
          label="What vCPU are counted in"
          value={String(units.vcpuPerCount)}
          options={[
            { id: '1', name: 'vCPU' },
            { id: '2', name: 'cores of 2 vCPU' },
          ]}
          onChange={(id) => setUnits({ vcpuPerCount: Number(id) }, 'vcpuPerCount')}
        />,
      )}
      {field('memory')}
      {row(
        'in',
        'memory',
        <Dropdown
          label="Unit of memory"
          value={units.memory}
          options={MEMORY_UNITS.map((id) => ({ id, name: id }))}
          onChange={(id) => setUnits({ memory: MEMORY_UNITS.find((each) => each === id)! }, 'memory')}
        />,
      )}
      {meaning.places
        ? row(
            'places',
            'places',
            <>
              {meaning.places.length} columns are places{' '}
              <Button
                onPress={() => {
                  const { places: _, ...others } = meaning
                  change({ ...mapping, rows: [others, ...rows.slice(1)] }, 'places')
                }}
              >
                They are not
              </Button>
            </>,
          )
        : [field('place'), field('price')]}
      {row(
        'price for',
        'period',
        <Dropdown
          label="What a price of the list is for"
          value={units.period}
          options={PRICE_PERIODS.map((id) => ({ id, name: PERIOD_NAMES[id] }))}
          onChange={(id) => setUnits({ period: PRICE_PERIODS.find((each) => each === id)! }, 'period')}
        />,
      )}
      {row(
        'per',
        'perCount',
        <Dropdown
          label="For how many a price is"
          value={String(units.perCount)}
          options={[
            { id: '1', name: 'one' },
            { id: '1000', name: '1,000' },
            { id: '10000', name: '10,000' },
          ]}
          onChange={(id) => setUnits({ perCount: Number(id) }, 'perCount')}
        />,
      )}
      {row(
        'money',
        'currency',
        <TextInput
          label="Currency of the list"
          value={mapping.currency}
          check={(text) =>
            isCurrency(text.toUpperCase()) ? undefined : 'Three letters of ISO 4217, such as EUR.'
          }
          onCommit={(text) => change({ ...mapping, currency: text.toUpperCase() }, 'currency')}
        />,
      )}
      {row(
        'decimals by',
        'decimalMark',
        <Dropdown
          label="Mark before decimals"
          value={units.decimalMark ?? '.'}
          options={[
            { id: '.', name: 'a point' },
            { id: ',', name: 'a comma' },
          ]}
          onChange={(id) => setUnits({ decimalMark: id === ',' ? ',' : '.' }, 'decimalMark')}
        />,
      )}
      {asked.map(field)}
      {more.length > 0 &&
        row(
          'also',
          undefined,
          more.map((name) => (
            <Button key={name} onPress={() => setShown([...shown, name])}>
              {LIST_FIELD_NAMES[name]}
            </Button>
          )),
        )}
      <FilterRows
        filters={meaning.only}
        values={reading.values}
        isUnsure={unsure.includes('rows')}
        onConfirm={() => change(mapping, 'rows')}
        onChange={(only) => setMeaning({ only }, 'rows')}
      />
      <h2>What the list does not say</h2>
      {row(
        'manner',
        undefined,
        <Dropdown
          label="Manner of charging"
          value={manner}
          options={MANNERS.map((id) => ({ id, name: MANNER_NAMES[id], note: MANNER_NOTES[id] }))}
          onChange={(id) =>
            changeOpenList({
              mapping,
              assumed: unsure,
              provider: provider.name,
              manner: MANNERS.find((each) => each === id)!,
            })
          }
        />,
      )}
    </Panel>
  )
}

const Panel = styled.section`
  min-width: 0;
  overflow: auto;
  padding: 12px 16px 20px;
  border-left: 1px solid var(--rule);
  border-right: 1px solid var(--rule);

  h2 {
    margin-bottom: 4px;
  }
  h2:not(:first-child) {
    margin-top: 16px;
  }
`

const Row = styled.div`
  display: grid;
  grid-template-columns: 78px minmax(0, 1fr);
  gap: 2px 8px;
  align-items: center;
  padding: 3px 0;
  border-top: 1px solid var(--rule);

  & > span {
    font-size: 12px;
    color: var(--ink-2);
  }
`

const Answer = styled.div`
  display: flex;
  flex-wrap: wrap;
  gap: 3px 8px;
  align-items: center;
`
