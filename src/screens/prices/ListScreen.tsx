'use client'

import { useEffect, useMemo, useRef, useState } from 'react'
import styled from 'styled-components'
import { confirmed as withoutAssumption } from '../../core/manner/billingAnswers.ts'
import { idOf } from '../../core/pricelist/idOf.ts'
import type { ListMapping, MappingQuestion } from '../../core/pricelist/listMapping.ts'
import type { PriceBook } from '../../core/catalogue/priceBook.ts'
import type { ListReading } from '../../files/pricelist/listAnswer.ts'
import { Button, QuietButton } from '../../interface/Button'
import { media } from '../../interface/theme/media'
import { considerProviders } from '../../store/providerCommands.ts'
import { assumptionOf } from '../../wording/list'
import { groupDigits } from '../../wording/money'
import { listAsker } from '../../workers/askers.ts'
import { useAnswer } from '../../workers/useAnswer.ts'
import { useWorkbench } from '../workbench/WorkbenchContext'
import { ListBook } from './ListBook'
import { ListRows } from './ListRows'
import { MappingPanel } from './MappingPanel'
import { setOpenList, type OpenList } from './openList.ts'

/** A price list becoming a book: its rows, what a row means, and the book as it fills, side by side. */
export function ListScreen({ list }: { readonly list: OpenList }) {
  const { session, keptBooks, month, go } = useWorkbench()
  const heading = useRef<HTMLHeadingElement>(null)
  // What was pressed to come here is gone.
  useEffect(() => heading.current?.focus(), [])
  const { source, mapping, manner, provider: name, confirmed } = list
  const from = `${month}-01`
  const provider = useMemo(() => {
    const known = keptBooks.find((book) => book.provider.name === name)
    const ids = new Set(keptBooks.map((book) => book.provider.id))
    return known?.provider ?? { id: idOf(name, ids, 'provider'), name }
  }, [keptBooks, name])
  const asked = useMemo(
    () => ({ source, provider, from, manner, ...(mapping && { mapping }) }),
    [source, provider, from, manner, mapping],
  )
  const { answer, isStale, step, failure, cancel, isCancelled, again } = useAnswer(listAsker, asked)
  // What was proposed stays unsure until it is confirmed or changed, also where another question gives the mapping.
  const proposed = useProposed(answer?.ok ? answer.value : undefined, mapping)
  const unsure = proposed.filter((question) => !confirmed.includes(question))
  const reading = answer?.ok ? answer.value : undefined
  const book = reading?.book
  const use = (): void => {
    if (!book) return
    const kept = withListAssumptions(book, unsure)
    void session.books.add(kept)
    session.edit(`consider ${name}`, considerProviders([kept.provider.id]))
    setOpenList(undefined)
    go({ view: 'prices', book: { provider: kept.provider.id, edition: kept.edition } })
  }
  return (
    <Page>
      <Bar>
        <h1 ref={heading} tabIndex={-1}>
          Prices of {name}
        </h1>
        <small>
          {list.name}
          {reading && `, ${groupDigits(String(reading.rows))} rows`}
        </small>
        <span aria-live="polite">
          {isStale &&
            !failure &&
            !isCancelled &&
            (step ? `reading, ${groupDigits(String(step))} rows so far` : 'reading')}
        </span>
        {isStale && !failure && !isCancelled && <QuietButton onPress={cancel}>Stop reading</QuietButton>}
        {isCancelled && <QuietButton onPress={again}>Read on</QuietButton>}
        <Spring />
        {unsure.length > 0 && (
          <small>
            {unsure.length} {unsure.length === 1 ? 'answer' : 'answers'} assumed
          </small>
        )}
        <Button onPress={() => setOpenList(undefined)}>Give up</Button>
        <Button isDisabled={!book || isStale} onPress={use}>
          Use these prices
        </Button>
      </Bar>
      {(failure ?? (answer && !answer.ok)) && (
        <Fault role="alert">
          {failure ??
            (answer && !answer.ok
              ? `${answer.issues[0].problem} Expected: ${answer.issues[0].expected}`
              : '')}
        </Fault>
      )}
      {reading && (
        <Columns>
          <ListRows reading={reading} />
          <MappingPanel list={list} reading={reading} unsure={unsure} />
          <ListBook reading={reading} isStale={isStale} />
        </Columns>
      )}
    </Page>
  )
}

/** The questions that the first proposal left unsure. */
function useProposed(
  reading: ListReading | undefined,
  mapping: ListMapping | undefined,
): readonly MappingQuestion[] {
  const first = reading && !mapping ? reading.unsure : undefined
  return useKept(first) ?? []
}

function useKept<T>(value: T | undefined): T | undefined {
  const [kept, setKept] = useState(value)
  if (value !== undefined && value !== kept) setKept(value)
  return value ?? kept
}

/** What of the list nobody has confirmed stands in the book as assumed. */
function withListAssumptions(book: PriceBook, unsure: readonly MappingQuestion[]): PriceBook {
  let kept = book
  for (const question of unsure) kept = withoutAssumption(kept, assumptionOf(question))
  const assumed = [
    ...(kept.assumed ?? []),
    ...unsure.map((question) => ({ about: assumptionOf(question), from: 'list' })),
  ]
  return assumed.length > 0 ? { ...kept, assumed } : kept
}

const Page = styled.main.attrs({ id: 'main' })`
  display: grid;
  grid-template-rows: auto auto minmax(0, 1fr);
  min-height: 0;
`

const Bar = styled.div`
  display: flex;
  flex-wrap: wrap;
  gap: 4px 12px;
  align-items: center;
  padding: 8px 16px;
  background: var(--sheet);
  border-bottom: 1px solid var(--rule);

  small {
    color: var(--ink-2);
  }
  h1:focus {
    outline: none;
  }
`

const Spring = styled.span`
  flex: 1;
`

const Fault = styled.p`
  padding: 8px 16px;
  color: var(--leak);
`

const Columns = styled.div`
  grid-row: 3;
  display: grid;
  grid-template-columns: minmax(0, 1.15fr) 348px minmax(0, 0.9fr);
  min-height: 0;
  ${media.compact} {
    grid-template-columns: minmax(0, 1fr) 290px minmax(0, 0.8fr);
  }
  ${media.narrow} {
    grid-template-columns: minmax(0, 1fr);
  }
`
