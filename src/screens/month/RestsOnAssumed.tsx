'use client'

import styled from 'styled-components'
import type { PriceBook } from '../../core/catalogue/priceBook.ts'
import { Button } from '../../interface/Button'
import { useWorkbench } from '../workbench/WorkbenchContext'

/** Says where a total rests on answers that nobody has confirmed, and opens what they are worth. */
export function RestsOnAssumed({ book }: { readonly book: PriceBook }) {
  const { go } = useWorkbench()
  const count = book.assumed?.length ?? 0
  if (count === 0) return null
  const { provider, edition } = book
  return (
    <Line>
      <Button onPress={() => go({ view: 'prices', book: { provider: provider.id, edition } })}>
        Rests on {count} assumed {count === 1 ? 'answer' : 'answers'}
      </Button>
    </Line>
  )
}

const Line = styled.p`
  button {
    border: 0;
    padding: 2px 0;
    background: none;
    border-bottom: 2px dotted var(--held);
    border-radius: 0;
    min-height: 24px;
  }
`
