'use client'

import { useState } from 'react'
import styled from 'styled-components'
import { editionsOf } from '../../core/catalogue/bookFor.ts'
import type { PriceBook } from '../../core/catalogue/priceBook.ts'
import {
  CHANGE_FOLDS,
  CHANGE_SORTS,
  type ChangeFold,
  type EditionSummary,
} from '../../core/pricelist/summariseEditions.ts'
import { QuietButton } from '../../interface/Button'
import { Dropdown } from '../../interface/Dropdown'
import { lazyPart } from '../../interface/lazyPart'
import { ToggleRow } from '../../interface/ToggleRow'
import { editionAsker } from '../../workers/askers.ts'
import { useAnswer } from '../../workers/useAnswer.ts'
import { useWorkbench } from '../workbench/WorkbenchContext'
import { ChangedGroups, ChangedPrices, FOLD_NAMES, SORT_NAMES } from './ChangedPrices'
import { EditionEffects } from './EditionEffects'
import { PartTitle } from './PartTitle'
import { formatNumber } from '../../wording/number'

const EditionChart = lazyPart(() => import('./EditionChart'), 'EditionChart', { drawing: 170 })

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
          <EditionEffects effects={answer.effects} currency={book.currency} />
          <PartTitle>
            <h2>Prices that changed</h2>
            <ToggleRow
              label="Count changes"
              mode="one"
              options={CHANGE_FOLDS.map((id) => ({ id, label: FOLD_NAMES[id] }))}
              chosen={[fold]}
              onChange={([next]) => next && setFold(next)}
            />
          </PartTitle>
          <ChangedGroups summary={answer.summary} fold={fold} />
          {CHANGE_SORTS.map((sort) => (
            <ChangedPrices
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
          <b>{formatNumber(summary[sort])}</b> {SORT_NAMES[sort]}
        </span>
      ))}
      <span>
        <b>{formatNumber(summary.same)}</b> the same
      </span>
    </Numbers>
  )
}

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
