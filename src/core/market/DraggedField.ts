import { withoutNeed } from '../fit/needId.ts'
import { PlanPricing } from '../meter/planPricing.ts'
import type { PlatesInputs } from '../notches/plate.ts'
import { toNumber, type Exact } from '../quantity/exact.ts'
import { cellsByStep, type FieldCell } from './fieldCells.ts'
import { drawnMarks, type DrawnMark, type MarkOptions } from './fieldMarks.ts'
import { fieldOffers, type FieldOffers } from './fieldOffers.ts'
import { cellEdges, fieldScales, placeInPart, type FieldScales } from './fieldScales.ts'
import type { Market } from './market.ts'
import { marketInputs, withNeeds } from './marketInputs.ts'
import type { MarketQuestion, MarketView } from './marketView.ts'
import { NEED_STEPS, type DraggedNeed } from './needSteps.ts'
import { offerMeasure } from './offerMeasure.ts'
import type { SellerQuestion } from './sellerQuestion.ts'

/** What of a view depends on the need that is dragged, and where the machine as it is stands; plain data. */
export interface DraggedView extends Pick<MarketView, 'fitting' | 'scales'> {
  /** Nothing is said of them, and nothing opened, while the pointer is at the need. */
  readonly marks: readonly DrawnMark[]
  readonly x: number
  readonly y: number | undefined
}

/** The view before the drag, with what is drawn of it while it goes on. */
export const whileDragged = (
  view: MarketView,
  { x, y, fitting, scales, marks }: DraggedView,
): MarketView => ({
  ...view,
  fitting,
  scales,
  marks: marks.map((mark) => ({ ...mark, ...UNNAMED })),
  present: { ...view.present, x, y },
  edge: [],
  picked: undefined,
})

const UNNAMED = { cheapest: { provider: '', region: '', size: '', terms: '' }, name: '', cost: 0 } as const

/**
 * A field whose need of vCPU or memory is dragged: everything that fits without that need, counted once for all steps at
 * which it can be let go, so that each of them is drawn at once. Where costs stand does not change on the way. Sizes of free
 * choice are left out: what they cost goes by the need. 8 bytes an offer while it is kept.
 */
export class DraggedField {
  private readonly field: FieldOffers
  private readonly scales: FieldScales
  private readonly cells: readonly (readonly FieldCell[])[]
  private readonly steps: readonly number[]
  /** By step: offers in reach. */
  private readonly fitting: Uint32Array
  private readonly own: number | undefined

  /** O(offers that fit without the need). Undefined where the machine itself has no price. */
  static of(
    market: Market,
    question: MarketQuestion,
    need: DraggedNeed,
    look: MarkOptions,
  ): DraggedField | undefined {
    const found = marketInputs(new PlanPricing(question), question.plan, question.machine)
    return found.ok
      ? new DraggedField(market, question, found.value.inputs, found.value.total, need, look)
      : undefined
  }

  private constructor(
    market: Market,
    question: MarketQuestion,
    inputs: PlatesInputs,
    private readonly present: Exact,
    need: DraggedNeed,
    private readonly look: MarkOptions,
  ) {
    const { measure } = question
    const { users, machine } = inputs.resolved
    const limit = measure === 'round-trip' ? (machine.needs.roundTripMs ?? 0) : 0
    const nearer = limit > 0 ? withoutNeed(machine.needs, 'round-trip') : machine.needs
    const questions = market.ask(withNeeds(inputs, withoutNeed(nearer, need)), question)
    this.field = fieldOffers(questions, measure, users, limit)
    this.steps = NEED_STEPS[need]
    const reached = questions.map((each, seller) =>
      Int32Array.from(this.field.sizes[seller]!, (size) => lastReached(each, need, size, this.steps)),
    )
    this.own = offerMeasure(inputs.resolved, present, measure, inputs.month)
    this.scales = fieldScales(this.field, toNumber(present), this.own)
    const edges = cellEdges(this.scales, look.part, look.columns, look.rows)
    this.cells = cellsByStep(this.field, edges, this.steps.length, reached)
    this.fitting = countInReach(this.field, reached, this.steps.length)
  }

  /** What is drawn with the need at one of its steps. Where the edge is, is known once the need is let go. O(marks). */
  at(value: number): DraggedView {
    const found = this.steps.findIndex((each) => each >= value)
    const step = found < 0 ? this.steps.length - 1 : found
    const { scales, look, own } = this
    const { axis, ...shown } = scales
    const place = placeInPart(scales, look.part)
    return {
      fitting: this.fitting[step]!,
      x: place.x(toNumber(this.present)),
      y: own === undefined ? undefined : place.y(own),
      marks: drawnMarks(this.field, scales, look, this.cells[step]!),
      scales: shown,
    }
  }
}

/** The last step that a size reaches; -1 for one of free choice. */
function lastReached(
  { basis }: SellerQuestion,
  need: DraggedNeed,
  size: number,
  steps: readonly number[],
): number {
  const { sizes, vcpu, memoryGiB } = basis.columns
  if (sizes[size]!.choice) return -1
  const has = (need === 'vcpu' ? vcpu : memoryGiB)[size]!
  return steps.findLastIndex((step) => step <= has)
}

function countInReach(
  { lanes, sizes, costs }: FieldOffers,
  reached: readonly Int32Array[],
  steps: number,
): Uint32Array {
  const counts = new Uint32Array(steps)
  for (const { seller, start, isInReach } of lanes) {
    if (!isInReach) continue
    const { length } = sizes[seller]!
    const ofSeller = reached[seller]!
    for (let at = 0; at < length; at += 1)
      if (costs[start + at]! < Infinity && ofSeller[at]! >= 0) counts[ofSeller[at]!]! += 1
  }
  for (let step = steps - 2; step >= 0; step -= 1) counts[step]! += counts[step + 1]!
  return counts
}
