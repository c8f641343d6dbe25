'use client'

import { useEffect, useState } from 'react'
import styled from 'styled-components'
import { Button } from '../../interface/Button'
import { openDatabase } from '../../store/database.ts'
import {
  deleteEverything,
  layOpenAside,
  openShelved,
  rawRecords,
  shelvedPlans,
  storedBooks,
  takeBackLast,
  takeOutBook,
  type Stranded,
} from '../../store/lastResort.ts'
import { download } from '../workbench/download.ts'

interface Stored {
  readonly books: readonly Stranded[]
  readonly plans: readonly Stranded[]
}

/**
 * Ways out where what is stored keeps the page from working: each works on the stored records themselves, whatever they
 * are, and opens the page anew.
 */
export function LastResort() {
  const [db] = useState(() => openDatabase())
  const [stored, setStored] = useState<Stored | 'unreadable'>()
  const [problem, setProblem] = useState<string>()
  const [isSure, setSure] = useState(false)
  useEffect(() => {
    Promise.all([storedBooks(db), shelvedPlans(db)]).then(
      ([books, plans]) => setStored({ books, plans }),
      () => setStored('unreadable'),
    )
  }, [db])
  /** Does something with what is stored, and opens the page anew where that worked. */
  const then = (work: Promise<unknown>, otherwise: string): void =>
    void work.then(
      (done) => (done === false ? setProblem(otherwise) : window.location.assign('/')),
      () => setProblem(otherwise),
    )
  const save = (): void =>
    void rawRecords(db).then(
      (zip) => download('notchgauge-as-stored.zip', zip, 'application/zip'),
      () => setProblem('What is stored cannot be read by this browser.'),
    )
  return (
    <Ways aria-label="Ways out">
      {problem && <p role="alert">{problem}</p>}
      <p>Export everything first, as it lies: what is deleted below is then still yours.</p>
      <Button onPress={save}>Export everything as it lies</Button>
      <Button
        onPress={() =>
          then(takeBackLast(db), 'The last edit cannot be taken back: it, or the plan before it, is damaged.')
        }
      >
        Take back the last edit
      </Button>
      <Button onPress={() => then(layOpenAside(db), 'The browser could not store that.')}>
        Lay this plan aside and open the demo
      </Button>
      {typeof stored === 'object' && stored.plans.length > 0 && (
        <Group>
          <h2>Open another plan</h2>
          {stored.plans.map((plan) => (
            <Button
              key={String(plan.key)}
              onPress={() =>
                then(openShelved(db, plan), `${plan.name} cannot be opened either. It stays as it is.`)
              }
            >
              Open {plan.name}
            </Button>
          ))}
        </Group>
      )}
      {typeof stored === 'object' && stored.books.length > 0 && (
        <Group>
          <h2>Export and delete a price book</h2>
          {stored.books.map((book) => (
            <Button
              key={String(book.key)}
              onPress={() => then(takeOutBook(db, book), 'The browser could not export it.')}
            >
              Export and delete {book.name}
            </Button>
          ))}
        </Group>
      )}
      <Group>
        <h2>Start over</h2>
        <p>Deletes all plans, price books and edits of this browser. Export them first.</p>
        {isSure ? (
          <Button
            onPress={() =>
              then(
                deleteEverything(db),
                'The browser does not let go of what is stored. Close other tabs of this page and try again.',
              )
            }
          >
            Yes, delete everything
          </Button>
        ) : (
          <Button onPress={() => setSure(true)}>Delete everything and start over</Button>
        )}
      </Group>
    </Ways>
  )
}

const Ways = styled.section`
  display: grid;
  gap: 10px;
  justify-items: start;
`

const Group = styled.div`
  display: grid;
  gap: 8px;
  justify-items: start;

  h2 {
    margin-top: 8px;
  }
`
