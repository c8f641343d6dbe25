'use client'

import styled from 'styled-components'
import { Button } from '../../interface/Button'
import { useChooseFile } from '../workbench/ChooseFile'
import { useWorkbench } from '../workbench/WorkbenchContext'
import { KnownProviders } from './KnownProviders'
import { NewProviderForm } from './NewProviderForm'
import { OpenListButtons } from './OpenListButtons'
import { takeInvented } from './takeInvented.ts'

/** What a plan without prices asks first: whose they are. */
export function WhosePrices() {
  const { session, keptBooks } = useWorkbench()
  const chooseFile = useChooseFile()
  const hasOwn = keptBooks.some(({ provider }) => !provider.invented)
  return (
    <Page>
      <h1>Whose prices?</h1>
      <p>
        Everything here is reckoned from price books. Type what you see on a provider’s page: three sizes and
        a disk are enough for an honest first month. What a price list does not say is assumed, and marked.
      </p>
      <Ways>
        <section>
          <h2>Type prices</h2>
          <NewProviderForm />
        </section>
        <section>
          <h2>Open a price list, or paste a table</h2>
          <p>
            CSV of any dialect, JSON of any nesting, compressed or not, a saved page, or rows from a page or a
            spreadsheet.
          </p>
          <Lists>
            <OpenListButtons />
          </Lists>
        </section>
        <section>
          <h2>Open a price book</h2>
          <p>A file of this program’s own format; a plan works too.</p>
          <Button onPress={chooseFile}>Open a file</Button>
        </section>
        {hasOwn && (
          <section>
            <h2>Take one that is kept here</h2>
            <KnownProviders withInvented={false} />
          </section>
        )}
        <section>
          <h2>Try it on invented prices</h2>
          <p>Four providers that nobody can buy from. They are marked as invented where they are offered.</p>
          <Button onPress={() => void takeInvented(session)}>Take the invented books</Button>
        </section>
      </Ways>
    </Page>
  )
}

const Page = styled.main.attrs({ id: 'main' })`
  overflow: auto;
  padding: 28px 32px;
  background: var(--sheet);

  & > p {
    max-width: 62ch;
    margin: 6px 0 18px;
    color: var(--ink-2);
  }
`

const Lists = styled.div`
  display: flex;
  flex-wrap: wrap;
  gap: 6px;
`

const Ways = styled.div`
  display: grid;
  gap: 18px;
  max-width: 760px;

  section {
    display: grid;
    gap: 6px;
    justify-items: start;
    padding-top: 12px;
    border-top: 1px solid var(--rule);
  }
  h2 {
    font-size: 16px;
    color: var(--ink);
  }
  p {
    color: var(--ink-2);
  }
`
