'use client'

import styled from 'styled-components'
import type { PriceChange } from '../../core/pricelist/compareEditions.ts'
import { CHANGE_SORTS, type ChangeFold, type EditionSummary } from '../../core/pricelist/summariseEditions.ts'
import { ListInPart } from '../../interface/ListInPart'
import { CountsTable } from './CountsTable'
import { formatNumber } from '../../wording/number'

export const FOLD_NAMES = {
  size: 'by size or disk',
  place: 'by place',
  kind: 'by what it is',
  terms: 'by terms',
} as const satisfies Record<ChangeFold, string>

export const SORT_NAMES = { dearer: 'dearer', cheaper: 'cheaper', added: 'new', gone: 'gone' } as const

interface GroupsProps {
  readonly summary: EditionSummary
  readonly fold: ChangeFold
}

/** How many prices changed, counted together by size, place, kind or terms. */
export function ChangedGroups({ summary, fold }: GroupsProps) {
  const groups = summary.groups[fold]
  if (groups.length === 0) return <Note>Nothing changed.</Note>
  return (
    <CountsTable tabIndex={0} role="group" aria-label={`Changes ${FOLD_NAMES[fold]}`}>
      <table>
        <thead>
          <tr>
            <th scope="col">{FOLD_NAMES[fold].replace('by ', '')}</th>
            {CHANGE_SORTS.map((sort) => (
              <th key={sort} scope="col">
                {SORT_NAMES[sort]}
              </th>
            ))}
          </tr>
        </thead>
        <tbody>
          {groups.map(({ name, ...counts }) => (
            <tr key={name}>
              <th scope="row">{name}</th>
              {CHANGE_SORTS.map((sort) => (
                <td key={sort}>{counts[sort] === 0 ? '' : formatNumber(counts[sort])}</td>
              ))}
            </tr>
          ))}
        </tbody>
      </table>
    </CountsTable>
  )
}

interface ChangesProps {
  readonly name: string
  readonly count: number
  readonly changes: readonly PriceChange[]
}

/** The prices that became dearer, cheaper, new or gone, once they are asked for. */
export function ChangedPrices({ name, count, changes }: ChangesProps) {
  if (count === 0) return null
  return (
    <Details>
      <summary>
        {formatNumber(count)} {name}
        {changes.length < count && `, the first ${formatNumber(changes.length)}`}
      </summary>
      <ListInPart label={`Prices that are ${name}`} items={changes} keyOf={keyOf}>
        {({ id, region, terms, rate, before, after, factor }) => (
          <Change>
            <span>{[id, region, terms, rate].filter(Boolean).join(', ')}</span>
            <span>
              {before ?? 'not sold'} → {after ?? 'not sold'}
              {factor !== undefined && `, ${factor > 1 ? '+' : ''}${Math.round((factor - 1) * 1_000) / 10} %`}
            </span>
          </Change>
        )}
      </ListInPart>
    </Details>
  )
}

const keyOf = ({ of, id, region, terms = '', rate }: PriceChange): string =>
  [of, id, region, terms, rate].join(' ')

const Details = styled.details`
  margin-top: 8px;
`

const Change = styled.div`
  display: flex;
  flex-wrap: wrap;
  justify-content: space-between;
  gap: 2px 12px;
  padding: 3px 8px 3px 0;
  border-top: 1px solid var(--rule);
`

const Note = styled.p`
  margin: 2px 0 12px;
  font-size: 12px;
  color: var(--ink-2);
`
