import { readFileSync } from 'node:fs'
import { describe, expect, test } from 'vitest'
import { readPlan } from '../../files/plan/planFile.ts'
import { MONTH_READINGS } from '../calendar/billingMonth.ts'
import type { YearMonth } from '../calendar/yearMonth.ts'
import { compare, toNumber } from '../quantity/exact.ts'
import { gib } from '../quantity/units.ts'
import { DEMO_BOOKS } from '../testing/demoBooks.ts'
import { FIELD_MEASURES } from './fieldMeasure.ts'
import { WHOLE_FIELD } from './fieldPart.ts'
import { Market } from './market.ts'
import { marketView, solveMarket, type MarketQuestion } from './marketView.ts'
import { offerKey } from './offerName.ts'
import type { OfferRow } from './offerRow.ts'
import { OFFER_GROUPINGS } from './offerGrouping.ts'

const LOOK = { part: WHOLE_FIELD, columns: 24, rows: 20 }
const read = readPlan(readFileSync('data/larkspur-trams.json', 'utf8'))
if (!read.ok) throw new Error('the demo is not valid')
const plan = read.value
const books = DEMO_BOOKS
const market = new Market()

const question = (name: string, part: Partial<MarketQuestion> = {}): MarketQuestion => ({
  plan,
  books,
  month: '2027-03' as YearMonth,
  reading: 'calendar',
  machine: plan.machines.find((machine) => machine.name === name)!,
  measure: 'round-trip',
  listed: 200,
  ...part,
})

/** Which offers rows are, and what they cost. */
const named = (rows: readonly OfferRow[]) => rows.map(({ machine, total }) => [offerKey(machine), total])

const solve = (name: string, part: Partial<MarketQuestion> = {}) => solveMarket(market, question(name, part))!

describe('the market of every machine of the demo', () => {
  for (const [at, { name }] of plan.machines.entries()) {
    test(`${name}: what is listed is in order, marks count what is in reach, the best of each is the list’s own`, () => {
      for (const reading of MONTH_READINGS) {
        const solved = solve(name, { reading, measure: 'vcpu', listed: 2_000 })
        const totals = solved.listed.map(({ total }) => total)
        const outOfOrder = totals.filter((total, at) => at > 0 && compare(totals[at - 1]!, total) > 0)
        expect(outOfOrder).toEqual([])
        expect(solved.listed).toHaveLength(solved.fitting)
        for (const grouping of OFFER_GROUPINGS) {
          const [best] = solved.best[grouping]
          if (best && totals[0]) expect(compare(best.total, totals[0])).toBe(0)
        }
        const firsts = new Map<string, number>()
        for (const { provider, total } of solved.listed)
          if (!firsts.has(provider)) firsts.set(provider, toNumber(total))
        const bestOfEach = solved.best.provider.map(
          ({ provider, total }) => [provider, toNumber(total)] as const,
        )
        expect(new Map(bestOfEach)).toEqual(firsts)
        // What stands down the field has no say in what is listed; each machine looks at two, so that all are.
        const measures = [0, 1].map((next) => FIELD_MEASURES[(2 * at + next) % FIELD_MEASURES.length]!)
        for (const measure of reading === 'calendar' ? measures : []) {
          const { listed, fitting, best } = solve(name, { reading, measure })
          expect([fitting, named(listed)]).toEqual([solved.fitting, named(solved.listed.slice(0, 200))])
          for (const grouping of OFFER_GROUPINGS)
            expect(named(best[grouping])).toEqual(named(solved.best[grouping]))
        }
      }
    })
  }
})

test('along the edge nothing is both cheaper and nearer, by looking at everything', () => {
  const solved = solve('timetable-loadgen', { listed: 2_000 })
  const { edge, listed } = solved
  expect(edge.length).toBeGreaterThan(1)
  for (const [at, { measured, row }] of edge.entries()) {
    const better = listed.filter(
      ({ total, roundTripMs }) =>
        roundTripMs !== undefined && roundTripMs <= measured && compare(total, row.total) < 0,
    )
    expect(better).toEqual([])
    if (at > 0) expect(measured).toBeLessThan(edge[at - 1]!.measured)
  }
  const nearest = Math.min(...listed.flatMap(({ roundTripMs }) => roundTripMs ?? []))
  expect(edge.at(-1)!.measured).toBe(nearest)
})

test('marks of the whole field hold every offer once, those too far away among them', () => {
  const { machine } = question('timetable-loadgen')
  const { jurisdictions: _, ...needs } = machine.needs
  const solved = solve('timetable-loadgen', { machine: { ...machine, needs: { ...needs, roundTripMs: 45 } } })
  const { marks, fitting } = marketView(solved, LOOK)
  const inReach = marks.filter(({ isBeyond }) => !isBeyond)
  expect(marks.reduce((sum, { count }) => sum + count, 0)).toBe(solved.field.count)
  expect(marks.some(({ isBeyond }) => isBeyond)).toBe(true)
  expect(inReach.reduce((sum, { count }) => sum + count, 0)).toBeGreaterThan(0)
  expect(fitting).toBeLessThan(solved.field.count)
})

test('what is picked is priced and placed, also where it is not among the cheapest; what is closed is not', () => {
  const solved = solve('signal-replay', { listed: 1 })
  const dear = solve('signal-replay', { listed: 2_000 }).listed.at(-1)!
  const view = marketView(solved, { ...LOOK, picked: dear.machine })
  expect(offerKey(view.picked!.row.machine)).toBe(offerKey(dear.machine))
  expect(compare(view.picked!.row.total, dear.total)).toBe(0)
  expect(
    marketView(solved, { ...LOOK, picked: { ...dear.machine, size: 'no-such-size' } }).picked,
  ).toBeUndefined()
})

test('needs that nothing meets leave an empty list, and say from what cost on something fits without each', () => {
  const machine = question('signal-replay').machine
  const solved = solve('signal-replay', { machine: { ...machine, needs: { ...machine.needs, vcpu: 4_000 } } })
  expect([solved.listed, solved.fitting, solved.edge]).toEqual([[], 0, []])
  const vcpu = solved.savings.find(({ need }) => need === 'vcpu')!
  expect(vcpu.saved).toBeUndefined()
  expect(toNumber(vcpu.total!)).toBeGreaterThan(0)
  // How many fit without it, and the most that anything has: one more, and nothing fits.
  const fitsAt = (least: number) =>
    solve('signal-replay', { machine: { ...machine, needs: { ...machine.needs, vcpu: least } } })
  const { eased, fitting } = vcpu.instead!
  expect(fitting).toBe(fitsAt(0).fitting)
  expect(compare(fitsAt(eased!.to).listed[0]!.total, eased!.total)).toBe(0)
  expect(fitsAt(eased!.to + 1).listed).toEqual([])
  expect(solved.savings.find(({ need }) => need === 'memory')!.total).toBeUndefined()
  expect(marketView(solved, LOOK).marks).toEqual([])
})

test('whatever was asked before, the answer is that of a market that was asked nothing', () => {
  const { machine } = question('timetable-loadgen')
  const asked = new Market()
  const needs = [
    machine.needs,
    { ...machine.needs, vcpu: 16 },
    { ...machine.needs, memoryGiB: gib(0), vcpu: 1 },
    { ...machine.needs, iops: 0, keeps: [] },
    { ...machine.needs, memoryGiB: gib(64), jurisdictions: [], roundTripMs: 0 },
    machine.needs,
  ]
  for (const each of needs) {
    const tried = { ...question('timetable-loadgen'), machine: { ...machine, needs: each } }
    const [again, fresh] = [solveMarket(asked, tried)!, solveMarket(new Market(), tried)!]
    expect(again.fitting).toBe(fresh.fitting)
    expect(again.listed).toEqual(fresh.listed)
    expect(again.savings).toEqual(fresh.savings)
    expect(again.edge).toEqual(fresh.edge)
  }
  // By hand: the cheapest of 16 GiB less the cheapest of any memory.
  const eased = { architecture: 'any', disks: 'any', interruption: 'any', data: 'any' } as const
  const easy = {
    ...question('timetable-loadgen'),
    machine: { ...machine, needs: { ...machine.needs, ...eased } },
  }
  const memory = solveMarket(asked, easy)!.savings.find(({ need }) => need === 'memory')!
  expect(toNumber(memory.saved!).toFixed(2)).toBe('7.99')
})

test('what a need costs is what dropping it makes cheaper', () => {
  const { machine } = question('timetable-loadgen')
  const { listed, savings } = solve('timetable-loadgen')
  const memory = savings.find(({ need }) => need === 'memory')!
  const needs = { ...machine.needs, memoryGiB: 0 as typeof machine.needs.memoryGiB }
  const without = solve('timetable-loadgen', { machine: { ...machine, needs } })
  expect(toNumber(memory.saved!)).toBeCloseTo(
    toNumber(listed[0]!.total) - toNumber(without.listed[0]!.total),
    9,
  )
})
