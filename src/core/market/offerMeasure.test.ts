import { readFileSync } from 'node:fs'
import { describe, expect, test } from 'vitest'
import { readPlan } from '../../files/plan/planFile.ts'
import type { YearMonth } from '../calendar/yearMonth.ts'
import type { Machine } from '../machine/plan.ts'
import { PlanPricing } from '../meter/planPricing.ts'
import { compare, toNumber } from '../quantity/exact.ts'
import { gib } from '../quantity/units.ts'
import { DEMO_BOOKS } from '../testing/demoBooks.ts'
import { cheapestEdge } from './cheapestEdge.ts'
import { cheapestOffers } from './cheapestOffers.ts'
import { FIELD_MEASURES, isLessBetter, STAYS, TAKEN_AWAY, type FieldMeasure } from './fieldMeasure.ts'
import { fieldOffers } from './fieldOffers.ts'
import { fieldScales } from './fieldScales.ts'
import { hoursCurve } from './hoursCurve.ts'
import { laneMeasure } from './laneMeasure.ts'
import { Market } from './market.ts'
import { marketInputs } from './marketInputs.ts'
import { offerMeasure } from './offerMeasure.ts'
import type { MarketOffer } from './offerTotal.ts'
import type { SellerQuestion } from './sellerQuestion.ts'

const read = readPlan(readFileSync('data/larkspur-trams.json', 'utf8'))
if (!read.ok) throw new Error('the demo is not valid')
const plan = read.value
const pricing = new PlanPricing({
  plan,
  books: DEMO_BOOKS,
  month: '2027-03' as YearMonth,
  reading: 'calendar',
})

function asked(name: string, part: Partial<Machine> = {}) {
  const machine = { ...plan.machines.find((each) => each.name === name)!, ...part }
  const found = marketInputs(pricing, plan, machine)
  if (!found.ok) throw new Error('it has no price')
  const { inputs } = found.value
  const questions = new Market().ask(inputs)
  return { inputs, questions, offers: cheapestOffers(questions, 5_000) }
}

const { inputs, questions, offers } = asked('timetable-loadgen')
const { users } = inputs.resolved
const monthOf = (of: readonly SellerQuestion[], { seller }: MarketOffer) => of[seller]!.basis.seller.month
const measured = (offer: MarketOffer, measure: FieldMeasure): number | undefined =>
  offerMeasure(offer.resolved, offer.total, measure, monthOf(questions, offer))

describe.each(FIELD_MEASURES)('%s', (measure) => {
  const field = fieldOffers(questions, measure, users)

  test('is drawn of each offer as it is said of it', () => {
    let known = 0
    const drawn = new Map(
      field.lanes.flatMap((lane) => {
        const found = laneMeasure(field, lane)
        return [...field.sizes[lane.seller]!].map((size, at) => {
          const value = found.of === 'all' ? found.value : found.values(at)
          return [`${lane.seller}/${lane.region}/${lane.terms}/${size}`, value] as const
        })
      }),
    )
    for (const offer of offers) {
      const { seller, region, terms, size } = offer
      const value = drawn.get(`${seller}/${region}/${terms}/${size}`)!
      const said = measured(offer, measure)
      if (said === undefined) expect(value).toBeNaN()
      else expect(value).toBeCloseTo(said, 6)
      if (said !== undefined) known += 1
    }
    expect(known).toBeGreaterThan(20)
  })

  test('has an edge beyond which nothing is both cheaper and better, by looking at everything', () => {
    const edge = cheapestEdge(field)
    const better = (a: number, b: number): boolean => (isLessBetter(measure) ? a < b : a > b)
    const all = offers.flatMap((offer) => {
      const value = measured(offer, measure)
      return value === undefined ? [] : [{ total: offer.total, value }]
    })
    const expected: number[] = []
    for (const { value } of all.toSorted(
      (a, b) => compare(a.total, b.total) || (better(a.value, b.value) ? -1 : 1),
    ))
      if (expected.length === 0 || better(value, expected.at(-1)!)) expected.push(value)
    expect(edge.map(({ measured: value }) => value)).toEqual(expected)
    // All of it has a place in the drawing.
    const { least, most } = fieldScales(field, 50, undefined)
    expect(least).toBeLessThan(most)
    expect(Number.isFinite(least) && Number.isFinite(most)).toBe(true)
  })
})

test('what can be taken away is what is sold so', () => {
  for (const offer of offers)
    expect(measured(offer, 'interruption')).toBe(offer.on.kind === 'spot' ? TAKEN_AWAY : STAYS)
})

test('hours until it pays lie where the exact months cross', () => {
  // Nothing is charged for compute while it is off, so that months on demand grow with hours alone.
  const machine = asked('timetable-loadgen', {
    off: 'deallocated',
    longGaps: [],
    address: 'none',
    pinned: ['off'],
    needs: { vcpu: 4, memoryGiB: gib(16), iops: 0 },
  })
  const inMonth = (offer: MarketOffer) => {
    const { seller } = machine.questions[offer.seller]!.basis
    const { shared, month, exchange } = seller
    return { resolved: offer.resolved, shared, month, exchange }
  }
  let crossed = 0
  for (const offer of machine.offers.filter(({ on }) => on.kind === 'commitment' || on.kind === 'flat')) {
    const { machine: form } = offer.resolved
    const onDemand = machine.offers.find(
      (each) =>
        each.on.kind === 'on-demand' &&
        each.resolved.machine.region === form.region &&
        each.resolved.machine.provider === form.provider &&
        each.resolved.machine.size === form.size,
    )
    const hours = offerMeasure(offer.resolved, offer.total, 'pays-after', monthOf(machine.questions, offer))
    // The same disks and image on both.
    const terms = onDemand?.resolved.terms
    if (!terms || hours === undefined || crossed > 12) continue
    const plain = { ...offer.resolved, terms, machine: { ...form, terms: terms.id } }
    const [steady, demand] = [hoursCurve(inMonth(offer)), hoursCurve({ ...inMonth(offer), resolved: plain })]
    const at = demand.findIndex((point, i) => compare(point.total, steady[i]!.total) > 0)
    if (at < 1) {
      // On demand is cheaper however long it is on, or never is.
      if (at < 0) expect(hours).toBeGreaterThanOrEqual(Math.floor(demand.at(-1)!.hours))
      continue
    }
    crossed += 1
    expect(hours).toBeGreaterThan(demand[at - 1]!.hours - 2)
    expect(hours).toBeLessThan(demand[at]!.hours + 2)
    // A flat price is charged for all of the month: the two curves are straight, and cross where it is said.
    const slope =
      (toNumber(demand[at]!.total) - toNumber(demand[at - 1]!.total)) /
      (demand[at]!.hours - demand[at - 1]!.hours)
    const exact =
      demand[at - 1]!.hours + (toNumber(steady[at]!.total) - toNumber(demand[at - 1]!.total)) / slope
    expect(Math.abs(hours - exact)).toBeLessThan(2)
  }
  expect(crossed).toBeGreaterThan(5)
})
