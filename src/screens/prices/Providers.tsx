'use client'

import { useState } from 'react'
import styled from 'styled-components'
import type { PriceBook } from '../../core/catalogue/priceBook.ts'
import { Button, QuietButton } from '../../interface/Button'
import { Dialog } from '../../interface/Dialog'
import { media } from '../../interface/theme/media'
import { useChooseFile } from '../workbench/ChooseFile'
import { useWorkbench } from '../workbench/WorkbenchContext'
import { AccountDialog } from './AccountDialog'
import { KnownProviders } from './KnownProviders'
import { NewProviderForm } from './NewProviderForm'
import { OpenListButtons } from './OpenListButtons'
import { takeInvented } from './takeInvented.ts'

/** Whom the plan considers, and the ways to more prices. */
export function Providers({ open }: { readonly open: PriceBook }) {
  const { session, keptBooks, mend } = useWorkbench()
  const chooseFile = useChooseFile()
  const [isTyping, setIsTyping] = useState(false)
  const [accountOf, setAccountOf] = useState<string>()
  const hasInvented = keptBooks.some(({ provider }) => provider.invented)
  return (
    <Side aria-label="Whose prices">
      <h2>Whose prices</h2>
      <p>The plan looks at those that are ticked.</p>
      <KnownProviders>
        {({ provider, edition }) => (
          <Way>
            <QuietButton
              aria-label={`Open the prices of ${provider.name}`}
              aria-pressed={provider.id === open.provider.id}
              onPress={() => mend({ book: { provider: provider.id, edition } })}
            >
              {provider.id === open.provider.id ? 'open here' : 'Open'}
            </QuietButton>
            <QuietButton
              aria-label={`What your account may do at ${provider.name}`}
              onPress={() => setAccountOf(provider.id)}
            >
              Account…
            </QuietButton>
          </Way>
        )}
      </KnownProviders>
      <h2>More prices</h2>
      <Ways>
        <Button onPress={() => setIsTyping(true)}>Type prices…</Button>
        <OpenListButtons />
        <Button onPress={chooseFile}>Open a price book…</Button>
        {!hasInvented && <Button onPress={() => void takeInvented(session)}>Take the invented books</Button>}
      </Ways>
      {accountOf !== undefined && (
        <AccountDialog provider={accountOf} onClose={() => setAccountOf(undefined)} />
      )}
      <Dialog title="Type prices" isOpen={isTyping} onClose={() => setIsTyping(false)}>
        <NewProviderForm onDone={() => setIsTyping(false)} />
      </Dialog>
    </Side>
  )
}

const Side = styled.aside`
  min-width: 0;
  overflow: auto;
  padding: 14px 14px 20px;
  border-right: 1px solid var(--rule);
  ${media.narrow} {
    border-right: 0;
    border-bottom: 1px solid var(--rule);
  }

  h2:not(:first-child) {
    margin-top: 18px;
    padding-top: 10px;
    border-top: 1px solid var(--rule);
  }
  & > p {
    margin: 2px 0 10px;
    font-size: 12px;
    color: var(--ink-2);
  }
`

const Way = styled.div`
  padding-left: 13px;
`

const Ways = styled.div`
  display: grid;
  gap: 6px;
  justify-items: start;
  margin-top: 8px;
`
