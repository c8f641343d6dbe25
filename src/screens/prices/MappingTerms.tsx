'use client'

import type { TermAnswer } from '../../core/pricelist/listMapping.ts'
import { Dropdown } from '../../interface/Dropdown'
import { AssumedMark } from './AssumedMark'
import { MappingRow } from './MappingRow'
import type { MappingEdit } from './useMapping.ts'

const MONTHS = [1, 3, 6, 12, 24, 36, 48, 60]

/** What the list's systems and terms are: which system costs nothing more, and to what each of the terms binds. */
export function MappingTerms({ edit }: { readonly edit: MappingEdit }) {
  const { mapping, meaning, table, reading, change, unsure, confirm } = edit
  const { plainSystem, terms = [] } = mapping
  if (meaning.is !== 'size-price' || (plainSystem === undefined && terms.length === 0)) return null
  const source = meaning.fields.system
  const column = source?.from === 'column' ? table.values.find(([name]) => name === source.column) : undefined
  const systems = new Set([
    ...(plainSystem === undefined ? [] : [plainSystem]),
    ...(column?.[1] ?? []),
    ...(meaning.prices?.flatMap(({ system }) => system ?? []) ?? []),
  ])
  const licences = reading.book?.licences.length ?? 0
  const put = (text: string, next: Omit<TermAnswer, 'text'>): void =>
    change(
      { ...mapping, terms: terms.map((each) => (each.text === text ? { text, ...next } : each)) },
      'terms',
    )
  return (
    <>
      <h2>
        Systems and terms{' '}
        {unsure.includes('terms') && (
          <AssumedMark what="What the terms are" onConfirm={() => confirm('terms')} />
        )}
      </h2>
      {plainSystem !== undefined && (
        <MappingRow name="costs no more" question="systems" edit={edit}>
          <Dropdown
            label="System that costs nothing more"
            value={plainSystem}
            options={[...systems].map((text) => ({ id: text, name: text === '' ? 'empty' : text }))}
            onChange={(text) => change({ ...mapping, plainSystem: text }, 'systems')}
          />
          {licences > 0 && (
            <small>
              {licences === 1 ? 'the other is a licence' : `${licences} others are licences`}, priced with
              each size
            </small>
          )}
        </MappingRow>
      )}
      {terms.map((answer) => (
        <MappingRow key={answer.text} name={answer.text === '' ? 'nothing said' : answer.text} edit={edit}>
          <Dropdown
            label={`What ${answer.text === '' ? 'no term' : answer.text} is`}
            value={idOfAnswer(answer)}
            options={[
              { id: 'on-demand', name: 'on demand' },
              { id: 'spot', name: 'may be taken away' },
              ...[...new Set([...MONTHS, answer.months ?? 12])]
                .sort((a, b) => a - b)
                .map((months) => ({
                  id: String(months),
                  name: `bound for ${months} ${months === 1 ? 'month' : 'months'}`,
                })),
              { id: 'left-out', name: 'left out' },
            ]}
            onChange={(id) =>
              put(
                answer.text,
                id === 'on-demand' || id === 'spot' || id === 'left-out'
                  ? { is: id }
                  : { is: 'commitment', months: Number(id), upFront: answer.upFront ?? 'none' },
              )
            }
          />
          {answer.is === 'commitment' && (
            <Dropdown
              label={`What is paid up front for ${answer.text}`}
              value={answer.upFront ?? 'none'}
              options={[
                { id: 'none', name: 'nothing up front' },
                { id: 'part', name: 'a part up front' },
                { id: 'all', name: 'all up front' },
              ]}
              onChange={(id) =>
                put(answer.text, {
                  ...answer,
                  upFront: id === 'all' ? 'all' : id === 'part' ? 'part' : 'none',
                })
              }
            />
          )}
        </MappingRow>
      ))}
    </>
  )
}

const idOfAnswer = ({ is, months }: TermAnswer): string => (is === 'commitment' ? String(months ?? 12) : is)
