import { readFileSync } from 'node:fs'
import { expect, test } from 'vitest'
import { readPlan } from '../../files/plan/planFile.ts'
import type { YearMonth } from '../calendar/yearMonth.ts'
import { gib } from '../quantity/units.ts'
import { DEMO_BOOKS } from '../testing/demoBooks.ts'
import { DraggedField, whileDragged } from './DraggedField.ts'
import { FIELD_MEASURES } from './fieldMeasure.ts'
import { fieldMarks, type FieldMark } from './fieldMarks.ts'
import { WHOLE_FIELD } from './fieldPart.ts'
import { openScales } from './fieldScales.ts'
import { Market } from './market.ts'
import { marketView, solveMarket, type MarketQuestion } from './marketView.ts'
import { NEED_STEPS, type DraggedNeed } from './needSteps.ts'

const read = readPlan(readFileSync('data/larkspur-trams.json', 'utf8'))
if (!read.ok) throw new Error('the demo is not valid')
const plan = read.value
/** Sizes of free choice are not drawn while a need is dragged. */
const books = DEMO_BOOKS.map((book) => ({ ...book, sizes: book.sizes.filter(({ choice }) => !choice) }))
const LOOK = { part: WHOLE_FIELD, columns: 18, rows: 12 }
const market = new Market()

const drawnOf = ({ x, y, count, isBeyond }: FieldMark) => ({ x, y, count, isBeyond })

const cases = (['vcpu', 'memory'] as const).flatMap((need) =>
  FIELD_MEASURES.map((measure): [DraggedNeed, MarketQuestion['measure']] => [need, measure]),
)

test.each(cases)('as %s is dragged, each step is the field of that need, down by %s', (need, measure) => {
  const machine = plan.machines.find(({ name }) => name === 'timetable-loadgen')!
  const question: MarketQuestion = {
    plan,
    books,
    month: '2027-03' as YearMonth,
    reading: 'calendar',
    machine,
    measure,
    listed: 20,
  }
  const view = marketView(solveMarket(market, question)!, LOOK)
  const dragged = DraggedField.of(market, question, need, LOOK)!
  const seen = new Set<number>()
  for (const value of NEED_STEPS[need]) {
    const shown = whileDragged(view, dragged.at(value))
    const needs = { ...machine.needs, ...(need === 'vcpu' ? { vcpu: value } : { memoryGiB: gib(value) }) }
    const solved = solveMarket(market, { ...question, machine: { ...machine, needs } })!
    expect(shown.fitting).toBe(solved.fitting)
    // The same marks, had the scales been those of the drag.
    const expected = fieldMarks(solved.field, openScales(shown.scales), LOOK)
    expect(shown.marks.map(drawnOf)).toEqual(expected.map(drawnOf))
    expect([shown.edge, shown.picked, shown.listed]).toEqual([[], undefined, view.listed])
    seen.add(shown.fitting)
  }
  expect(seen.size).toBeGreaterThan(4)
})
