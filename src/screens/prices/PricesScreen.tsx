'use client'

import styled from 'styled-components'
import { media } from '../../interface/theme/media'
import { useWorkbench } from '../workbench/WorkbenchContext'
import { EditionCompare } from './EditionCompare'
import { BookSheet } from './BookSheet'
import { ListScreen } from './ListScreen'
import { MannerPanel } from './MannerPanel'
import { Providers } from './Providers'
import { useOpenList, useUnfinishedList } from './openList.ts'
import { usePickedBook } from './usePickedBook.ts'
import { WhosePrices } from './WhosePrices'

/** Whose prices the plan goes by: the providers that it considers, and one of their books as a document. */
export function PricesScreen() {
  const { keptBooks, session, address } = useWorkbench()
  useUnfinishedList(session.books.unfinishedList)
  const book = usePickedBook()
  const list = useOpenList()
  if (list) return <ListScreen list={list} />
  if (keptBooks.length === 0 || !book) return <WhosePrices />
  const before = keptBooks.find(
    ({ provider, edition }) => provider.id === book.provider.id && edition === address.book?.against,
  )
  return (
    <Columns>
      <Providers open={book} />
      <Main>
        {before ? (
          <EditionCompare book={book} before={before} />
        ) : (
          <BookSheet key={`${book.provider.id} ${book.edition}`} book={book} />
        )}
      </Main>
      <MannerPanel book={book} />
    </Columns>
  )
}

const Columns = styled.div`
  display: grid;
  grid-template-columns: 230px minmax(0, 1fr) 350px;
  min-height: 0;
  ${media.compact} {
    grid-template-columns: 190px minmax(0, 1fr) 290px;
  }
  ${media.narrow} {
    grid-template-columns: minmax(0, 1fr);
  }
`

const Main = styled.main.attrs({ id: 'main' })`
  min-width: 0;
  overflow: auto;
  padding: 12px 20px 20px;
  background: var(--sheet);
  ${media.compact} {
    padding: 12px 14px 16px;
  }
`
