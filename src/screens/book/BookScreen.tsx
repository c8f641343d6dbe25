'use client'

import { ownValue } from '../../core/ownValue.ts'
import { useMemo, useState, type ReactNode } from 'react'
import styled from 'styled-components'
import { editionsOf } from '../../core/catalogue/bookFor.ts'
import type { PriceBook } from '../../core/catalogue/priceBook.ts'
import { Dropdown } from '../../interface/Dropdown'
import { RowGrid } from '../../interface/RowGrid'
import { bookEntries, regionOfPointer } from '../../wording/bookEntries'
import { useWorkbench } from '../workbench/WorkbenchContext'
import { groupDigits } from '../../wording/number'

const ROW_HEIGHT = 24
const COLUMNS = 'minmax(200px, 440px) 96px minmax(150px, 1fr)'

const editionId = ({ provider, edition }: PriceBook): string => `${provider.id} ${edition}`

/** A price book as a person reads it; a rate that was asked for is set off. */
export function BookScreen() {
  const { keptBooks: books, address, book: ownBook, mend } = useWorkbench()
  const asked = address.book
  const book = asked
    ? books.find(({ provider, edition }) => provider.id === asked.provider && edition === asked.edition)
    : (ownBook ?? books[0])
  const providers = [...new Set(books.map(({ provider }) => provider.id))]
  const editions = providers.flatMap((provider) => editionsOf(provider, books))
  const picker = (
    <Dropdown
      label="Price book"
      value={book ? editionId(book) : ''}
      options={editions.map((each) => ({
        id: editionId(each),
        name: `${each.provider.name}, ${each.edition}`,
        note: `${each.currency}, from ${each.valid.from}${each.valid.until === undefined ? '' : ` to ${each.valid.until}`}`,
      }))}
      onChange={(id) => {
        const chosen = editions.find((each) => editionId(each) === id)!
        mend({ book: { provider: chosen.provider.id, edition: chosen.edition }, rate: undefined })
      }}
    />
  )
  if (book) return <OpenBook key={editionId(book)} book={book} picker={picker} />
  return (
    <Line>
      {editions.length > 0 && picker}
      <Warning role="alert">
        {asked
          ? `There is no price book of “${asked.provider}”, edition ${asked.edition}, here. Import it, or pick another one.`
          : 'There is no price book yet. Import one.'}
      </Warning>
    </Line>
  )
}

function OpenBook({ book, picker }: { readonly book: PriceBook; readonly picker: ReactNode }) {
  const { address, machine } = useWorkbench()
  const asked = address.rate
  const start = regionOfPointer(asked) ?? machine?.region
  const [picked, setPicked] = useState<string>()
  const region = picked ?? (start !== undefined && ownValue(book.prices, start) ? start : book.regions[0]!.id)
  const entries = useMemo(() => bookEntries(book, region), [book, region])
  const marked = entries.findIndex((entry) => entry.sort !== 'head' && entry.pointer === asked)
  const [active, setActive] = useState<number | undefined>(marked < 0 ? undefined : marked)
  return (
    <>
      <Line>
        {picker}
        <span>prices in</span>
        <Dropdown
          label="Region"
          value={region}
          options={book.regions.map(({ id, name, jurisdiction }) => ({
            id,
            name,
            ...(jurisdiction && { note: jurisdiction }),
          }))}
          onChange={(id) => {
            setPicked(id)
            setActive(undefined)
          }}
        />
        {asked !== undefined && marked < 0 && picked === undefined && (
          <Warning role="alert">There is no rate at {asked} in this book.</Warning>
        )}
      </Line>
      <RowGrid
        label={`Price book of ${book.provider.name}`}
        count={entries.length}
        rowHeight={ROW_HEIGHT}
        columns={() => COLUMNS}
        leastWidth={480}
        active={active}
        onActive={setActive}
        whenEmpty="Nothing is sold here."
        head={
          <>
            <span role="columnheader">What</span>
            <Right role="columnheader">{book.currency}</Right>
            <span role="columnheader">for each</span>
          </>
        }
        renderRow={(index) => {
          const entry = entries[index]!
          if (entry.sort === 'head') {
            return (
              <Head role="gridcell" aria-colspan={3}>
                {entry.text}
              </Head>
            )
          }
          const label = index === marked ? <Asked>{entry.label}</Asked> : entry.label
          return entry.sort === 'rule' ? (
            <>
              <span role="gridcell">{label}</span>
              <Rule role="gridcell" aria-colspan={2}>
                {entry.text}
              </Rule>
            </>
          ) : (
            <>
              <span role="gridcell">{label}</span>
              <Right role="gridcell">
                <b>{groupDigits(entry.text)}</b>
              </Right>
              <span role="gridcell">{entry.per}</span>
            </>
          )
        }}
      />
    </>
  )
}

const Line = styled.div`
  display: flex;
  flex-wrap: wrap;
  gap: 8px;
  align-items: center;
  margin: 10px 0;
`

const Head = styled.span`
  grid-column: 1 / -1;
  font-weight: 600;
  padding-top: 2px;
`

const Asked = styled.mark`
  margin-left: -10px;
  padding: 3px 8px 3px 6px;
  border-left: 4px solid var(--ink);
  background: none;
  color: inherit;
  font-weight: 640;
`

const Right = styled.span`
  text-align: right;
`

const Rule = styled.span`
  grid-column: 2 / -1;
  overflow: hidden;
  text-overflow: ellipsis;
  white-space: nowrap;
`

const Warning = styled.span`
  color: var(--leak);
`
