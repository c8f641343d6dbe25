'use client'

import { useState } from 'react'
import type { PriceBook } from '../../core/catalogue/priceBook.ts'
import { PERIODS, plainPrice, type Period, type PricePlace } from '../../core/pricelist/sizeRows.ts'
import { QuietButton } from '../../interface/Button'
import { Dropdown } from '../../interface/Dropdown'
import { lazyPart } from '../../interface/lazyPart'
import { PartTitle } from './PartTitle'
import { BookPartsDialog } from './BookPartsDialog'
import { SizeSheet } from './SizeSheet'
import type { BookEdit } from './useBookEdit.ts'

const FigureSheet = lazyPart(() => import('./FigureSheet'), 'FigureSheet')

const PERIOD_NAMES = { hour: 'an hour', month: 'a month', second: 'a second' } as const satisfies Record<
  Period,
  string
>

const PLAIN = ''

interface SizesPartProps {
  readonly book: PriceBook
  readonly edits: BookEdit
  /** Id of the place whose prices are looked at. */
  readonly region: string
  readonly onRegion: (id: string) => void
}

/** Sizes and their prices in one place, on some terms; and what else is known of them. */
export function SizesPart({ book, edits, region, onRegion }: SizesPartProps) {
  const [asked, setTerms] = useState(PLAIN)
  const others = book.terms.filter(({ kind }) => kind === 'spot' || kind === 'commitment')
  const terms = others.some(({ id }) => id === asked) ? asked : PLAIN
  const place = { region, ...(terms !== PLAIN && { terms }) }
  const [picked, setPeriod] = useState<Period>()
  const period = picked ?? periodOf(book, place)
  const at: PricePlace = { ...place, period }
  const [hasFigures, setHasFigures] = useState(false)
  const [isParts, setIsParts] = useState(false)
  const [isCopied, setIsCopied] = useState(false)
  const copy = async (): Promise<void> => {
    await navigator.clipboard.writeText(tableText(book, at))
    setIsCopied(true)
  }
  return (
    <>
      <PartTitle>
        <h2>Sizes</h2>
        <span>prices in</span>
        <Dropdown
          label="Place of the prices"
          value={region}
          options={book.regions.map(({ id, name }) => ({ id, name }))}
          onChange={onRegion}
        />
        {others.length > 0 && (
          <Dropdown
            label="Terms of the prices"
            value={terms}
            options={[
              { id: PLAIN, name: 'bound to nothing' },
              ...others.map(({ id, name }) => ({ id, name })),
            ]}
            onChange={setTerms}
          />
        )}
        <span>in {book.currency}</span>
        <Dropdown
          label="What a price is for"
          value={period}
          options={PERIODS.map((id) => ({ id, name: PERIOD_NAMES[id] }))}
          onChange={(id) => setPeriod(PERIODS.find((each) => each === id) ?? 'hour')}
        />
        <QuietButton onPress={() => setIsParts(true)}>Places and terms…</QuietButton>
        <QuietButton onPress={() => void copy()}>{isCopied ? 'Copied' : 'Copy as a table'}</QuietButton>
        <QuietButton aria-expanded={hasFigures} onPress={() => setHasFigures(!hasFigures)}>
          {hasFigures ? 'Prices' : 'More figures'}
        </QuietButton>
      </PartTitle>
      {hasFigures ? (
        <FigureSheet book={book} edits={edits} />
      ) : (
        <SizeSheet key={`${region} ${terms} ${period}`} book={book} edits={edits} at={at} />
      )}
      {isParts && <BookPartsDialog book={book} edits={edits} onClose={() => setIsParts(false)} />}
    </>
  )
}

/** The first in which the book has a plain price, so that what is there is seen. */
const periodOf = (book: PriceBook, place: Omit<PricePlace, 'period'>): Period =>
  PERIODS.find((period) =>
    book.sizes.some(({ id }) => plainPrice(book, id, { ...place, period }) !== undefined),
  ) ?? 'hour'

/** What a spreadsheet takes as rows and columns; a name is never taken for a formula. */
const tableText = (book: PriceBook, at: PricePlace): string =>
  book.sizes
    .map(({ id, name, vcpu, memoryGiB }) =>
      [
        (/^['=+\-@]/.test(name) ? `'${name}` : name).replace(/[\t\r\n]/g, ' '),
        vcpu,
        memoryGiB,
        plainPrice(book, id, at) ?? '',
      ].join('\t'),
    )
    .join('\n')
