'use client'

import { useMemo, useRef, useState } from 'react'
import styled from 'styled-components'
import type { FitReason } from '../../core/fit/fitReason.ts'
import { closedBy, closedChoices } from '../../core/notches/closedChoices.ts'
import { viewRows } from '../../core/notches/listColumn.ts'
import { isOpen, type Carried, type Notch, type Plate, type PlatesInputs } from '../../core/notches/plate.ts'
import { Button, QuietButton } from '../../interface/Button'
import { media } from '../../interface/theme/media'
import { choiceWords, plateName } from '../../wording/choice'
import { closedText } from '../../wording/closed'
import { AskedChoice } from './AskedChoice'
import { columnsFor } from './columnsFor.ts'
import { Comparison } from './Comparison'
import { ListFilters } from './ListFilters'
import { ListGrid } from './ListGrid'
import { LIST_HEIGHT } from './listHeight.ts'
import { START, type ListState } from './listState.ts'

interface PlateListProps {
  readonly plate: Plate
  readonly inputs: PlatesInputs
  readonly currency: string
  readonly onTake: (notch: Notch) => void
  readonly onTakeWith: (notch: Notch, carried: Carried) => void
  readonly onClose: () => void
  /** Opened at the choices that are closed by this reason. */
  readonly closedBy?: FitReason['code'] | undefined
}

/**
 * All choices of one decision as a table that is sorted, filtered and compared. It is a way of looking: the plates stay
 * in view above it, and what is taken shows on them at once.
 */
export function PlateList({
  plate,
  inputs,
  currency,
  onTake,
  onTakeWith,
  onClose,
  closedBy: reason,
}: PlateListProps) {
  const [list, setList] = useState<ListState>({ ...START, closedBy: reason })
  const [asked, setAsked] = useState<Notch>()
  const body = useRef<HTMLDivElement>(null)
  const name = plateName(plate)
  const columns = useMemo(() => columnsFor(plate, inputs, currency), [plate, inputs, currency])
  const rows = useMemo(() => {
    const query = list.query.trim().toLowerCase()
    const texts = columns.filter(({ kind }) => kind === 'text')
    const isFound = (notch: Notch): boolean =>
      query === '' || texts.some(({ textOf }) => textOf(notch).toLowerCase().includes(query))
    const passes = (notch: Notch): boolean =>
      isFound(notch) && (list.closedBy === undefined || closedBy(notch) === list.closedBy)
    return viewRows(plate.notches, columns, { ...list, passes })
  }, [plate, columns, list])
  const marked = plate.notches.filter(({ key }) => list.marked.has(key))
  const change = (part: Partial<ListState>): void => setList((before) => ({ ...before, ...part }))
  const take = (notch: Notch): void => {
    if (notch.isPresent) return
    if (isOpen(notch)) onTake(notch)
    else setAsked(notch)
  }
  return (
    <Drawer
      role="dialog"
      aria-label={`All choices of ${name}`}
      onKeyDown={(event) => {
        if (event.key !== 'Escape' || event.defaultPrevented) return
        if (list.compares) change({ compares: false })
        else onClose()
      }}
    >
      <Head>
        <h2>
          {name}: {rows.length} of {plate.notches.length}
        </h2>
        {closedChoices(plate)
          .filter(({ code }) => code === list.closedBy)
          .map(({ code, count }) => (
            <Button key={code} onPress={() => change({ closedBy: undefined })}>
              only: {closedText(code, count)} ×
            </Button>
          ))}
        <ListFilters list={list} columns={columns} marked={marked.length} onChange={change} />
        <QuietButton aria-label={`Close the choices of ${name}`} onPress={onClose}>
          Close
        </QuietButton>
      </Head>
      <Body ref={body}>
        {list.compares && marked.length > 1 ? (
          <Comparison notches={marked} columns={columns} onTake={take} />
        ) : (
          <ListGrid
            label={`Choices of ${name}`}
            rows={rows}
            columns={columns}
            list={list}
            onChange={change}
            onTake={take}
          />
        )}
      </Body>
      {asked && (
        <AskedChoice
          notch={asked}
          inputs={inputs}
          words={choiceWords(asked, inputs.resolved)}
          anchor={body}
          onTake={(carried) => {
            setAsked(undefined)
            onTakeWith(asked, carried)
          }}
          onClose={() => setAsked(undefined)}
        />
      )}
    </Drawer>
  )
}

const Drawer = styled.section`
  position: fixed;
  left: 222px;
  right: 0;
  bottom: 0;
  z-index: 5;
  display: flex;
  flex-direction: column;
  height: ${LIST_HEIGHT};
  padding: 8px 16px 12px 20px;
  border-top: 2px solid var(--ink);
  background: var(--sheet);
  ${media.compact} {
    left: 184px;
    padding: 8px 12px 12px 14px;
  }
  ${media.narrow} {
    left: 0;
  }
`

const Head = styled.div`
  display: flex;
  flex-wrap: wrap;
  gap: 4px 14px;
  align-items: center;
  padding-bottom: 6px;

  h2 {
    white-space: nowrap;
    color: var(--ink);
  }
  & > :last-child {
    margin-left: auto;
  }
`

const Body = styled.div`
  flex: 1;
  display: flex;
  min-height: 0;
  min-width: 0;
`
