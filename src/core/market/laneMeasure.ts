import { keptFor } from '../keptFor.ts'
import { monthHours } from './marketColumns.ts'
import { measuredBy } from './fieldMeasure.ts'
import type { FieldLane, FieldOffers } from './fieldOffers.ts'
import { paysAfter } from './paysAfter.ts'
import type { SellerQuestion } from './sellerQuestion.ts'

type Measured = Pick<FieldOffers, 'questions' | 'measure' | 'sizes' | 'costs'>

/** What the offers of a lane have of the measure, by their places among the lane's sizes; NaN where nobody knows. */
export type LaneMeasure =
  | { readonly of: 'all'; readonly value: number }
  | { readonly of: 'each'; readonly values: (at: number) => number }

export function laneMeasure(field: Measured, lane: FieldLane): LaneMeasure {
  const { measure, costs } = field
  const by = measuredBy(measure)
  if (by === 'lane') return { of: 'all', value: lane.measured }
  if (by === 'size') {
    const table = measureOfSizes(field, lane.seller)!
    return { of: 'each', values: (at) => table[at]! }
  }
  const { questions, sizes } = field
  const question = questions[lane.seller]!
  const { columns, seller } = question.basis
  const positions = sizes[lane.seller]!
  if (measure === 'iops-per-money')
    return {
      of: 'each',
      values: (at) => iopsForMoney(columns.sizes[positions[at]!]!.iops, costs[lane.start + at]!) ?? NaN,
    }
  const hours = monthHours(seller.month)
  return {
    of: 'each',
    values: (at) => {
      const size = positions[at]!
      return paysAfter(columns, hours, { ...lane, size, chosen: chosenOf(question, size) })
    },
  }
}

/** Undefined where nobody knows, and for what costs nothing. */
export const iopsForMoney = (iops: number | undefined, cost: number): number | undefined =>
  iops === undefined || cost <= 0 ? undefined : iops / cost

/** What a size has that offers are grouped by, by its place among the fitting ones; nothing where it is not of sizes. */
export const measureOfSizes = (field: SizedField, seller: number): Float64Array | undefined =>
  tablesOf(field)[seller]

type SizedField = Pick<Measured, 'questions' | 'measure' | 'sizes'>

const tablesOf = keptFor((field: SizedField) =>
  field.questions.map((_, seller) => tableOfSizes(field, seller)),
)

function tableOfSizes({ questions, measure, sizes }: SizedField, seller: number): Float64Array | undefined {
  if (measuredBy(measure) === 'lane' || measure === 'pays-after') return undefined
  const question = questions[seller]!
  return Float64Array.from(sizes[seller]!, (position) => {
    const size = question.basis.columns.sizes[position]!
    if (measure === 'iops-per-money') return size.iops ?? NaN
    const { vcpu, memoryGiB } = chosenOf(question, position) ?? size
    return measure === 'vcpu' ? vcpu : memoryGiB
  })
}

const chosenOf = ({ basis, choiceWays }: SellerQuestion, size: number) =>
  basis.columns.sizes[size]!.choice && choiceWays.find(({ fitting }) => fitting(size))?.fitting(size)?.size
