'use client'

import styled from 'styled-components'
import type { PriceBook } from '../../core/catalogue/priceBook.ts'
import { PricePicture } from './PricePicture'
import { PricesToLookAt } from './PricesToLookAt'
import type { MappingEdit } from './useMapping.ts'
import { formatNumber } from '../../wording/number'

const FACTS = [
  ['mostDisks', 'most disks'],
  ['iops', 'IOPS'],
  ['hibernation', 'hibernation'],
  ['architecture', 'how sizes are built'],
] as const

/** What a machine may rest on, and the list does not say of some size. */
const notSaid = ({ sizes }: PriceBook): string[] =>
  FACTS.flatMap(([fact, name]) => (sizes.some((size) => size[fact] === undefined) ? [name] : []))

const UNHELD = {
  'below-plain': 'costs less than it does without',
  'without-plain': 'has no price of its own beside that with',
  'no-up-front': 'has no price for what is paid up front:',
} as const

/** The book as it fills: what there is, what is missing, and what to look at. */
export function ListBook({ edit, isStale }: { readonly edit: MappingEdit; readonly isStale: boolean }) {
  const { book, duplicates, beyond, prices, offers, unheld, picture, issues, joins } = edit.reading
  const sizes = book?.sizes.length ?? 0
  return (
    <Part aria-label="The book so far" aria-busy={isStale}>
      <h2>The book so far</h2>
      <Counts data-testid="list-counts">
        <b>{formatNumber(sizes)}</b> {sizes === 1 ? 'size' : 'sizes'} <b>{formatNumber(picture.length)}</b>{' '}
        {picture.length === 1 ? 'place' : 'places'} <b>{formatNumber(prices)}</b> prices
        {offers > 0 && (
          <>
            {' '}
            <b>{formatNumber(offers)}</b> on terms or with systems
          </>
        )}
      </Counts>
      {picture.length > 0 && <PricePicture picture={picture} />}
      <h2>To look at</h2>
      <Points>
        {issues.map(({ pointer, problem, expected }) => (
          <li key={pointer}>
            {problem} Expected: {expected}
          </li>
        ))}
        <PricesToLookAt edit={edit} />
        {unheld.slice(0, 8).map(({ why, size, place, text, from }) => (
          <li key={`${size} ${place} ${text}`}>
            <b>
              {size} in {place}
            </b>{' '}
            {UNHELD[why]} {text}, and is left out so. <small>row {formatNumber(from.row)}</small>
          </li>
        ))}
        {joins.map(
          ({ join, lacking }) =>
            lacking > 0 && (
              <li key={`${join.table} ${join.with}`}>
                {formatNumber(lacking)} rows of {join.table} found no row of {join.with}.
              </li>
            ),
        )}
        {beyond > 0 && <li>{formatNumber(beyond)} prices are beyond what a book holds, and are left out.</li>}
        {duplicates > 0 && <li>{formatNumber(duplicates)} rows say what was said before.</li>}
        {book && book.assumed?.some(({ about }) => about === 'disk-price') && (
          <li>No kind of disk yet: type two prices once the book is in use, or add them to the list.</li>
        )}
        {!book && <li>No price could be read yet: say what the columns mean.</li>}
        {book && notSaid(book).length > 0 && (
          <li>Not known: {notSaid(book).join(', ')}. They close nothing and are to be checked.</li>
        )}
      </Points>
    </Part>
  )
}

const Part = styled.section`
  h2:not(:first-child) {
    margin-top: 14px;
  }
`

const Counts = styled.p`
  margin: 4px 0 8px;
  color: var(--ink-2);

  b {
    font-size: 20px;
    color: var(--ink);
    font-weight: 640;

    &:not(:first-child) {
      margin-left: 10px;
    }
  }
`

const Points = styled.ul`
  margin-top: 4px;

  li {
    padding: 5px 0;
    border-top: 1px solid var(--rule);
  }
  small {
    color: var(--ink-2);
  }
`
