'use client'

import { useState } from 'react'
import styled from 'styled-components'
import { formatDate, parseDate } from '../../core/calendar/civil.ts'
import { editionsOf } from '../../core/catalogue/bookFor.ts'
import type { PriceBook } from '../../core/catalogue/priceBook.ts'
import { QuietButton } from '../../interface/Button'
import { Dialog } from '../../interface/Dialog'
import { Dropdown } from '../../interface/Dropdown'
import { TextInput } from '../../interface/TextInput'
import { useWorkbench } from '../workbench/WorkbenchContext'

/** The editions of a provider's book: which is open, what changed since, and a new one made of this. */
export function EditionTools({ book }: { readonly book: PriceBook }) {
  const { keptBooks, mend, session } = useWorkbench()
  const [isMaking, setIsMaking] = useState(false)
  const { provider, edition } = book
  const editions = editionsOf(provider.id, keptBooks)
  const at = editions.findIndex((each) => each.edition === edition)
  const other = editions[at - 1] ?? editions[at + 1]
  const open = (next: string, against?: string): void =>
    mend({ book: { provider: provider.id, edition: next, ...(against !== undefined && { against }) } })
  const make = (text: string): void => {
    const { valid: _, ...rest } = book
    void session.books.add({ ...rest, edition: text, valid: { from: text } })
    setIsMaking(false)
    open(text)
  }
  const taken = new Set(editions.flatMap((each) => [each.edition, each.valid.from]))
  return (
    <Tools>
      {editions.length > 1 && (
        <Dropdown
          label="Edition that is open"
          value={edition}
          options={editions.map((each) => ({ id: each.edition, name: `edition ${each.edition}` }))}
          onChange={(next) => open(next)}
        />
      )}
      {other && (
        <QuietButton onPress={() => (at > 0 ? open(edition, other.edition) : open(other.edition, edition))}>
          What changed…
        </QuietButton>
      )}
      <QuietButton onPress={() => setIsMaking(true)}>New edition of it…</QuietButton>
      <Dialog
        title={`A new edition of ${provider.name}`}
        isOpen={isMaking}
        onClose={() => setIsMaking(false)}
      >
        <p>It begins as a copy of this one. Months before its first day keep the prices that they have.</p>
        <TextInput
          label="Its first day, such as 2027-05-01"
          value=""
          showLabel
          autoFocus
          check={(text) => {
            const day = parseDate(text.trim())
            if (day === undefined || formatDate(day) !== text.trim()) return 'A date, such as 2027-05-01.'
            return taken.has(text.trim()) ? 'There is an edition from that day on.' : undefined
          }}
          onCommit={(text) => make(text.trim())}
        />
      </Dialog>
    </Tools>
  )
}

const Tools = styled.span`
  display: inline-flex;
  flex-wrap: wrap;
  gap: 2px 6px;
  align-items: center;
`
