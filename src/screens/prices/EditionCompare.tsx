'use client'

import { useState } from 'react'
import styled from 'styled-components'
import { editionsOf } from '../../core/catalogue/bookFor.ts'
import type { PriceBook } from '../../core/catalogue/priceBook.ts'
import type { PriceChange } from '../../core/pricelist/compareEditions.ts'
import type { EditionEffect } from '../../core/pricelist/editionEffect.ts'
import {
  CHANGE_FOLDS,
  CHANGE_SORTS,
  type ChangeFold,
  type EditionSummary,
} from '../../core/pricelist/summariseEditions.ts'
import { add, ZERO } from '../../core/quantity/exact.ts'
import { QuietButton } from '../../interface/Button'
import { Dropdown } from '../../interface/Dropdown'
import { lazyPart } from '../../interface/lazyPart'
import { ListInPart } from '../../interface/ListInPart'
import { ToggleRow } from '../../interface/ToggleRow'
import { formatMoney, groupDigits, shownDifference, signedMoney } from '../../wording/money'
import { editionAsker } from '../../workers/askers.ts'
import { useAnswer } from '../../workers/useAnswer.ts'
import { useWorkbench } from '../workbench/WorkbenchContext'

const EditionChart = lazyPart(() => import('./EditionChart'), 'EditionChart', { drawing: 170 })

const FOLD_NAMES = {
  size: 'by size or disk',
  place: 'by place',
  kind: 'by what it is',
  terms: 'by terms',
} as const satisfies Record<ChangeFold, string>

const SORT_NAMES = { dearer: 'dearer', cheaper: 'cheaper', added: 'new', gone: 'gone' } as const

const number = (value: number): string => groupDigits(String(value))

interface EditionCompareProps {
  readonly book: PriceBook
  readonly before: PriceBook
}

/** What changed from one edition to another, and what it does to this plan's month, machine by machine. */
export function EditionCompare({ book, before }: EditionCompareProps) {
  const { state, keptBooks, month, address, mend } = useWorkbench()
  const [fold, setFold] = useState<ChangeFold>('size')
  const { plan } = state
  const { answer, isStale, failure } = useAnswer(editionAsker, {
    plan,
    before,
    after: book,
    month,
    reading: address.reading,
  })
  const others = editionsOf(book.provider.id, keptBooks).filter(({ edition }) => edition !== book.edition)
  return (
    <div aria-busy={isStale}>
      <Head>
        <h1>{book.provider.name}, what changed</h1>
        <span>from</span>
        <Dropdown
          label="Edition that it is compared with"
          value={before.edition}
          options={others.map(({ edition, valid }) => ({
            id: edition,
            name: `${edition}, from ${valid.from}`,
          }))}
          onChange={(against) =>
            mend({ book: { provider: book.provider.id, edition: book.edition, against } })
          }
        />
        <span>to {book.edition}</span>
        <Spring />
        <QuietButton onPress={() => mend({ book: { provider: book.provider.id, edition: book.edition } })}>
          Back to the prices
        </QuietButton>
      </Head>
      {failure && <p role="alert">{failure}</p>}
      {answer && (
        <>
          <Counts summary={answer.summary} />
          <EditionChart bins={answer.summary.bins} />
          <Note>prices by how much they changed, in per cent: each bar from its figure to the next</Note>
          <Effects effects={answer.effects} currency={book.currency} />
          <Title>
            <h2>Prices that changed</h2>
            <ToggleRow
              label="Count changes"
              mode="one"
              options={CHANGE_FOLDS.map((id) => ({ id, label: FOLD_NAMES[id] }))}
              chosen={[fold]}
              onChange={([next]) => next && setFold(next)}
            />
          </Title>
          <Groups summary={answer.summary} fold={fold} />
          {CHANGE_SORTS.map((sort) => (
            <Changes
              key={sort}
              name={SORT_NAMES[sort]}
              count={answer.summary[sort]}
              changes={answer.summary.first[sort]}
            />
          ))}
        </>
      )}
    </div>
  )
}

function Counts({ summary }: { readonly summary: EditionSummary }) {
  return (
    <Numbers data-testid="edition-counts">
      {CHANGE_SORTS.map((sort) => (
        <span key={sort}>
          <b>{number(summary[sort])}</b> {SORT_NAMES[sort]}
        </span>
      ))}
      <span>
        <b>{number(summary.same)}</b> the same
      </span>
    </Numbers>
  )
}

interface EffectsProps {
  readonly effects: readonly EditionEffect[]
  readonly currency: string
}

function Effects({ effects, currency }: EffectsProps) {
  if (effects.length === 0) return <Note>None of the plan’s machines is at this provider.</Note>
  const both = effects.flatMap(({ before, after }) =>
    before && after ? [shownDifference(after, before)] : [],
  )
  const total = both.reduce(add, ZERO)
  return (
    <>
      <Title>
        <h2>This plan’s month</h2>
        <span>
          {signedMoney(total)} {currency} in all, if both held in it
        </span>
      </Title>
      <Scroll tabIndex={0} role="group" aria-label="Machines under both editions">
        <table>
          <thead>
            <tr>
              <th scope="col">machine</th>
              <th scope="col">before</th>
              <th scope="col">then</th>
              <th scope="col">difference</th>
            </tr>
          </thead>
          <tbody>
            {effects.map(({ machine, before, after }) => (
              <tr key={machine}>
                <th scope="row">{machine}</th>
                <td>{before ? formatMoney(before, currency) : 'not priced'}</td>
                <td>{after ? formatMoney(after, currency) : 'not priced'}</td>
                <td>{before && after ? signedMoney(shownDifference(after, before)) : ''}</td>
              </tr>
            ))}
          </tbody>
        </table>
      </Scroll>
    </>
  )
}

interface GroupsProps {
  readonly summary: EditionSummary
  readonly fold: ChangeFold
}

function Groups({ summary, fold }: GroupsProps) {
  const groups = summary.groups[fold]
  if (groups.length === 0) return <Note>Nothing changed.</Note>
  return (
    <Scroll tabIndex={0} role="group" aria-label={`Changes ${FOLD_NAMES[fold]}`}>
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
                <td key={sort}>{counts[sort] === 0 ? '' : number(counts[sort])}</td>
              ))}
            </tr>
          ))}
        </tbody>
      </table>
    </Scroll>
  )
}

interface ChangesProps {
  readonly name: string
  readonly count: number
  readonly changes: readonly PriceChange[]
}

function Changes({ name, count, changes }: ChangesProps) {
  if (count === 0) return null
  return (
    <Details>
      <summary>
        {number(count)} {name}
        {changes.length < count && `, the first ${number(changes.length)}`}
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

const Head = styled.div`
  display: flex;
  flex-wrap: wrap;
  gap: 4px 10px;
  align-items: center;
`

const Spring = styled.span`
  flex: 1;
`

const Numbers = styled.p`
  display: flex;
  flex-wrap: wrap;
  gap: 2px 18px;
  margin: 10px 0;
  color: var(--ink-2);

  b {
    font-size: 20px;
    font-weight: 640;
    color: var(--ink);
  }
`

const Note = styled.p`
  margin: 2px 0 12px;
  font-size: 12px;
  color: var(--ink-2);
`

const Title = styled.div`
  display: flex;
  flex-wrap: wrap;
  gap: 4px 12px;
  align-items: center;
  margin: 16px 0 4px;
  color: var(--ink-2);

  h2 {
    font-size: 16px;
    color: var(--ink);
  }
`

const Scroll = styled.div`
  max-height: 260px;
  overflow: auto;

  table {
    width: 100%;
    border-collapse: collapse;
  }
  th,
  td {
    padding: 3px 10px 3px 0;
    text-align: right;
    font-weight: 400;
    border-top: 1px solid var(--rule);
  }
  thead th {
    border-top: 0;
    font-size: 12px;
    color: var(--ink-2);
  }
  tr > :first-child {
    text-align: left;
  }
`

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
