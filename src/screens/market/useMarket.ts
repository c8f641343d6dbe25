'use client'

import { useMemo, useState } from 'react'
import type { PriceBook } from '../../core/catalogue/priceBook.ts'
import { whileDragged } from '../../core/market/DraggedField.ts'
import { FIELD_MEASURES, type FieldMeasure } from '../../core/market/fieldMeasure.ts'
import type { FieldPart } from '../../core/market/fieldPart.ts'
import type { MarketView } from '../../core/market/marketView.ts'
import type { Machine } from '../../core/machine/plan.ts'
import { marketAsker, type MarketAnswer, type MarketAsked } from '../../workers/askers.ts'
import { useAnswer, type Answered } from '../../workers/useAnswer.ts'
import { useWorkbench } from '../workbench/WorkbenchContext'

/** So many of the cheapest are listed. */
const LISTED = 200

/** Marks are no nearer to each other than this, in pixels. */
const MARK = { width: 30, height: 20 } as const

export interface AskedMarket extends Pick<
  Answered<MarketAsked, MarketAnswer, never>,
  'failure' | 'again' | 'isStale'
> {
  /** The last whole answer. */
  readonly view: MarketView | undefined
  /** What is drawn of it: while a need is dragged, the field of that. */
  readonly drawn: MarketView | undefined
}

/**
 * Everything that is sold, ranked for a machine in a worker; of the field, the part that is shown. A need that is dragged is
 * asked about as fast as there are answers, so that each of them is seen.
 */
export function useMarket(
  machine: Machine,
  drag: MarketAsked['dragged'],
  part: FieldPart,
  width: number,
  height: number,
): AskedMarket {
  const [dragged, setDragged] = useState(drag)
  const { state, month, address } = useWorkbench()
  const { plan, books } = state
  const { reading, market } = address
  const measure = measureFor(market.measure, machine)
  const columns = Math.max(1, Math.floor(width / MARK.width))
  const rows = Math.max(1, Math.floor(height / MARK.height))
  const { picked, uncommitted } = market
  const asked = useMemo(
    () => ({
      plan,
      books,
      month,
      reading,
      machine,
      measure,
      listed: LISTED,
      uncommitted,
      part,
      columns,
      rows,
      picked,
      dragged,
    }),
    [plan, books, month, reading, machine, measure, uncommitted, part, columns, rows, picked, dragged],
  )
  const { answer, isStale, failure, again } = useAnswer(marketAsker, asked)
  if (drag !== dragged && (!isStale || drag === undefined)) setDragged(drag)
  const [view, setView] = useState<MarketView>()
  if (answer && !answer.dragged && answer.view !== view) setView(answer.view)
  const drawn = useMemo(
    () => (view && answer?.dragged ? whileDragged(view, answer.dragged) : view),
    [view, answer],
  )
  return { view, drawn, isStale, failure, again }
}

/** How far away is said where somebody is anywhere; else what sizes have. */
export const measureFor = (
  asked: MarketAsked['measure'] | undefined,
  { needs }: Pick<Machine, 'needs'>,
): MarketAsked['measure'] => {
  const isPlaced = (needs.usedFrom?.length ?? 0) > 0
  if (asked && (asked !== 'round-trip' || isPlaced)) return asked
  return isPlaced ? 'round-trip' : FIELD_MEASURES[1]
}

/** What can be known of offers to this machine at all. */
export const measuresFor = (
  { needs }: Pick<Machine, 'needs'>,
  books: readonly PriceBook[],
): readonly FieldMeasure[] =>
  FIELD_MEASURES.filter((measure) => {
    if (measure === 'round-trip') return (needs.usedFrom?.length ?? 0) > 0
    if (measure !== 'carbon') return true
    return books.some(({ regions }) => regions.some((region) => region.carbonGramsPerKwh !== undefined))
  })
