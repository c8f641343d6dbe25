'use client'

import styled from 'styled-components'
import type { PriceBook } from '../../core/catalogue/priceBook.ts'
import { ANSWER_IDS } from '../../core/manner/billingAnswer.ts'
import { answered, BILLING_ANSWERS, confirmed } from '../../core/manner/billingAnswers.ts'
import { underBook } from '../../core/manner/assumptionCosts.ts'
import { MANNERS, mannerOf, withManner } from '../../core/manner/manners.ts'
import { Dropdown } from '../../interface/Dropdown'
import { media } from '../../interface/theme/media'
import { replaceMachines } from '../../store/commands.ts'
import { ANSWER_NAMES, answerText, MANNER_NAMES, MANNER_NOTES } from '../../wording/manner'
import { listAssumptionText } from '../../wording/list'
import { AssumptionLines } from './AssumptionLines'
import { DayStrip } from './DayStrip'
import { useBookEdit } from './useBookEdit.ts'
import { useWorkbench } from '../workbench/WorkbenchContext'
import { AssumedMark } from './AssumedMark'

/** What no price list says: the manner in which a provider charges, each answer by itself, and what is only assumed. */
export function MannerPanel({ book }: { readonly book: PriceBook }) {
  const { edit } = useBookEdit(book)
  const charge = useCharge(book, edit)
  const manner = mannerOf(book)
  const assumed = new Set(book.assumed?.map(({ about }) => about))
  const isFixed = BILLING_ANSWERS['when-off'].choices(book).length === 0
  return (
    <Side aria-label="What no price list says">
      <h2>What no price list says</h2>
      {!isFixed && (
        <Row>
          <span>Manner</span>
          <Dropdown
            label="Manner of charging"
            value={manner ?? 'its own mixture'}
            options={MANNERS.map((id) => ({ id, name: MANNER_NAMES[id], note: MANNER_NOTES[id] }))}
            onChange={(id) => {
              const chosen = MANNERS.find((each) => each === id)
              if (chosen) charge(`charge: ${MANNER_NAMES[chosen]}`, (current) => withManner(current, chosen))
            }}
          />
        </Row>
      )}
      <DayStrip book={book} />
      {ANSWER_IDS.map((id) => {
        const { choices, valueOf } = BILLING_ANSWERS[id]
        const offered = choices(book)
        if (offered.length === 0) return null
        const value = valueOf(book)
        return (
          <Row key={id}>
            <span>{ANSWER_NAMES[id]}</span>
            <Answer>
              <Dropdown
                label={ANSWER_NAMES[id]}
                value={offered.includes(value) ? value : answerText(id, value)}
                options={offered.map((each) => ({ id: each, name: answerText(id, each) }))}
                onChange={(each) =>
                  charge(`${ANSWER_NAMES[id].toLowerCase()}: ${answerText(id, each)}`, (current) =>
                    answered(current, id, each),
                  )
                }
              />
              {assumed.has(id) && (
                <AssumedMark
                  what={ANSWER_NAMES[id]}
                  onConfirm={() =>
                    edit(`confirm ${ANSWER_NAMES[id].toLowerCase()}`, (current) => confirmed(current, id))
                  }
                />
              )}
            </Answer>
          </Row>
        )
      })}
      {assumed.has('system-price') && (
        <Row>
          <span>System</span>
          <Answer>
            free of charge
            <AssumedMark
              what="That the system is free of charge"
              onConfirm={() =>
                edit('confirm that the system is free', (current) => confirmed(current, 'system-price'))
              }
            />
          </Answer>
        </Row>
      )}
      {(book.assumed ?? [])
        .filter(({ from }) => from === 'list')
        .map(({ about }) => (
          <Row key={about}>
            <span>From the list</span>
            <Answer>
              {listAssumptionText(about)}
              <AssumedMark
                what={listAssumptionText(about)}
                onConfirm={() => edit('confirm what the list says', (current) => confirmed(current, about))}
              />
            </Answer>
          </Row>
        ))}
      <AssumptionLines book={book} />
    </Side>
  )
}

type BookChange = (book: PriceBook) => PriceBook

/** Another way to charge has other terms and states: the plan’s machines go along, so that they cost what was foretold. */
function useCharge(book: PriceBook, edit: (label: string, change: BookChange) => void) {
  const { state, session } = useWorkbench()
  return (label: string, change: BookChange): void => {
    edit(label, change)
    const own = state.plan.machines.filter(({ provider }) => provider === book.provider.id)
    const moved = underBook(own, change(book)).filter((machine, i) => machine !== own[i])
    if (moved.length > 0) session.edit(`machines at ${book.provider.name}, ${label}`, replaceMachines(moved))
  }
}

const Side = styled.aside`
  min-width: 0;
  overflow: auto;
  padding: 14px 16px 20px;
  border-left: 1px solid var(--rule);
  ${media.narrow} {
    border-left: 0;
    border-top: 1px solid var(--rule);
  }
`

const Row = styled.div`
  display: grid;
  grid-template-columns: 96px minmax(0, 1fr);
  gap: 4px 8px;
  align-items: baseline;
  padding: 6px 0;
  border-top: 1px solid var(--rule);

  h2 + & {
    margin-top: 6px;
  }
  & > span {
    font-size: 12px;
    color: var(--ink-2);
  }
`

const Answer = styled.div`
  display: flex;
  flex-wrap: wrap;
  gap: 3px 8px;
  align-items: center;
`
