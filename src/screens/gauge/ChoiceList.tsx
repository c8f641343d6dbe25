'use client'

import type { RefObject } from 'react'
import {
  Autocomplete,
  Dialog,
  Input,
  Label,
  ListBox,
  ListBoxItem,
  SearchField,
  useFilter,
} from 'react-aria-components'
import styled from 'styled-components'
import type { BillingMonth } from '../../core/calendar/billingMonth.ts'
import { LongList } from '../../interface/LongList'
import { Popover } from '../../interface/Popover'
import { VisuallyHidden } from '../../interface/VisuallyHidden'
import { notchDifference, type ChoiceWords } from '../../wording/choice'
import { formatHourly, formatMoney } from '../../wording/money'
import { reasonsText } from '../../wording/reason'
import type { Notch } from '../../core/notches/plate.ts'

const ROW_HEIGHT = 42
const MOST_ROWS = 8

interface ChoiceListProps {
  readonly title: string
  readonly anchor: RefObject<HTMLElement | null>
  readonly notches: readonly Notch[]
  readonly words: (notch: Notch) => ChoiceWords
  readonly currency: string
  readonly month: BillingMonth
  readonly onTake: (notch: Notch) => void
  readonly onClose: () => void
}

/**
 * Choices of one decision from the cheapest to the dearest, opened at the present one, with a search. Closed ones say
 * why; taking one asks what else it may change.
 */
export function ChoiceList({
  title,
  anchor,
  notches,
  words,
  currency,
  month,
  onTake,
  onClose,
}: ChoiceListProps) {
  const { contains } = useFilter({ sensitivity: 'base' })
  return (
    <Popover triggerRef={anchor} isOpen onOpenChange={(open) => !open && onClose()} placement="bottom">
      <Sheet aria-label={`Choices of ${title}`}>
        <Autocomplete filter={contains} disableVirtualFocus>
          <SearchField>
            <VisuallyHidden as={Label}>Search the choices of {title}</VisuallyHidden>
            <Search placeholder={`Search ${notches.length} choices`} />
          </SearchField>
          <LongList rowHeight={ROW_HEIGHT}>
            <Choices
              aria-label={`Choices of ${title}`}
              items={notches.map((notch) => ({ id: notch.key, notch }))}
              style={{ height: Math.min(notches.length, MOST_ROWS) * ROW_HEIGHT }}
              autoFocus
              selectionMode="single"
              disallowEmptySelection
              selectedKeys={notches.filter(({ isPresent }) => isPresent).map(({ key }) => key)}
              onSelectionChange={(keys) => {
                const notch = notches.find(({ key }) => keys !== 'all' && keys.has(key))
                if (notch && !notch.isPresent) onTake(notch)
              }}
              renderEmptyState={() => <Nothing>Nothing by that name</Nothing>}
            >
              {({ id, notch }: { id: string; notch: Notch }) => (
                <Row
                  id={id}
                  textValue={`${words(notch).name} ${words(notch).about}`}
                  $closed={notch.reasons.length > 0}
                >
                  <Name>
                    {words(notch).name}
                    {notch.isPresent && ' (now)'}
                  </Name>
                  <Difference $saves={(notch.difference?.n ?? 0n) < 0n}>{notchDifference(notch)}</Difference>
                  <Note title={reasonsText(notch.reasons) || undefined}>
                    {notch.reasons.length > 0 ? `Closed: ${reasonsText(notch.reasons)}` : words(notch).about}
                  </Note>
                  <Total>
                    {notch.total &&
                      `${formatMoney(notch.total, currency)} a month, ${formatHourly(notch.total, month)} an hour`}
                  </Total>
                </Row>
              )}
            </Choices>
          </LongList>
        </Autocomplete>
      </Sheet>
    </Popover>
  )
}

const Sheet = styled(Dialog)`
  width: min(580px, 92vw);
  outline: none;
`

const Search = styled(Input)`
  width: calc(100% - 16px);
  margin: 8px;
  min-height: 28px;
  padding: 2px 8px;
  border: 1px solid var(--plate-edge);
  border-radius: 3px;
  background: var(--sheet);
`

const Choices = styled(ListBox<{ id: string; notch: Notch }>)`
  overflow: auto;
  outline: none;
`

const Row = styled(ListBoxItem)<{ readonly $closed: boolean }>`
  display: grid;
  grid-template-columns: minmax(0, 1fr) auto;
  gap: 0 12px;
  height: ${ROW_HEIGHT}px;
  padding: 4px 12px;
  outline: none;
  cursor: ${({ $closed }) => ($closed ? 'default' : 'pointer')};

  &[data-focused],
  &[data-hovered] {
    background: var(--plate);
  }
`

const Name = styled.span`
  font-weight: 560;
`

const Difference = styled.span<{ readonly $saves: boolean }>`
  text-align: right;
  font-weight: 600;
  color: ${({ $saves }) => ($saves ? 'var(--save)' : 'var(--ink)')};
`

const Note = styled.span`
  font-size: 12px;
  color: var(--ink-2);
  overflow: hidden;
  text-overflow: ellipsis;
  white-space: nowrap;

  [data-focused] > &,
  [data-hovered] > & {
    color: var(--ink);
  }
`

const Total = styled.span`
  font-size: 12px;
  color: var(--ink-2);
  text-align: right;

  [data-focused] > &,
  [data-hovered] > & {
    color: var(--ink);
  }
`

const Nothing = styled.p`
  padding: 8px 12px;
  color: var(--ink-2);
`
