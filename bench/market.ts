import { DuckDBInstance, type DuckDBConnection } from '@duckdb/node-api'
import { cheapestOffers } from '../src/core/market/cheapestOffers.ts'
import { Market } from '../src/core/market/market.ts'
import { marketInputs } from '../src/core/market/marketInputs.ts'
import { marketView, solveMarket } from '../src/core/market/marketView.ts'
import { LeastNumbers } from '../src/core/market/LeastNumbers.ts'
import { WHOLE_FIELD } from '../src/core/market/fieldPart.ts'
import type { SellerQuestion } from '../src/core/market/sellerQuestion.ts'
import type { Needs } from '../src/core/machine/needs.ts'
import type { Plan } from '../src/core/machine/plan.ts'
import { PlanPricing } from '../src/core/meter/planPricing.ts'
import { gib } from '../src/core/quantity/units.ts'
import { seededRandom } from './generate.ts'
import { books, machine, MONTH, planOn } from './marketBooks.ts'

/**
 * Ranks everything that five large providers sell, 2.5 million offers, for one machine: `npm run bench:market`. Beside it
 * the same question put to an embedded SQL engine with an index, and to a plain loop over typed arrays. All three answer
 * the same offers; ours alone prices what it answers to the last digit, and finds out what fits.
 */
const TOP = 50
const QUESTIONS = 200
const random = seededRandom(17)

const timed = <T>(work: () => T): { readonly value: T; readonly ms: number } => {
  const from = performance.now()
  const value = work()
  return { value, ms: performance.now() - from }
}

const shown = (ms: number): string => `${ms.toFixed(ms < 10 ? 2 : 0)} ms`
const median = (values: readonly number[]): number => values.toSorted((a, b) => a - b)[values.length >> 1]!

const market = new Market()
const askedOf = (plan: Plan, needs: Needs): SellerQuestion[] => {
  const pricing = new PlanPricing({ plan, books, month: MONTH, reading: 'calendar' })
  const found = marketInputs(pricing, plan, { ...machine, needs })
  if (!found.ok) throw new Error(JSON.stringify(found.issues))
  return market.ask(found.value.inputs)
}

const plan = planOn(10)
const memory = (): number => process.memoryUsage().arrayBuffers
const before = memory()
const first = timed(() => askedOf(plan, machine.needs))
const offers = first.value.reduce((sum, { basis }) => sum + basis.columns.sold, 0)
console.log(
  `${offers.toLocaleString('en')} offers: laid out in ${shown(first.ms)}, ${((memory() - before) / offers).toFixed(1)} bytes each`,
)

cheapestOffers(first.value, TOP)
const weeks = [9, 8, 7, 6, 5].map((hours) => {
  const other = planOn(hours)
  return timed(() => cheapestOffers(askedOf(other, machine.needs), TOP)).ms
})
console.log(`top ${TOP} after a change of week: median ${shown(median(weeks))}`)

cheapestOffers(askedOf(plan, machine.needs), TOP)
const same = Array.from(
  { length: 20 },
  () => timed(() => cheapestOffers(askedOf(plan, machine.needs), TOP)).ms,
)
console.log(`top ${TOP}, the same question again: median ${shown(median(same))}`)

const needs = Array.from({ length: QUESTIONS }, (): Needs => ({
  vcpu: Math.floor(random() * 33),
  memoryGiB: gib(Math.floor(random() * 129)),
  iops: 500 * Math.floor(random() * 5),
}))
const ours = needs.map((each) => timed(() => cheapestOffers(askedOf(plan, each), TOP)))
const rounds = needs.map((each) => timed(() => cheapestOffers(askedOf(plan, each), TOP)).ms)
console.log(
  `top ${TOP} of ${QUESTIONS} random needs: median ${shown(median(rounds))}, worst ${shown(Math.max(...rounds))}; at first median ${shown(median(ours.map(({ ms }) => ms)))}, worst ${shown(Math.max(...ours.map(({ ms }) => ms)))}`,
)

// The peers get what is charged beside sizes, and for how many hours, from our answer to the same week.
const everything = askedOf(plan, { vcpu: 0, memoryGiB: gib(0), iops: 500 })
const rates = everything.map(({ basis }) => basis.columns.perHour)
const coefficients = everything.map(({ ways, basis, sizes: fitting }) => ({
  hours: basis.columns.terms.map((_, t) => ways.map(({ groups }) => groups[0]!.hours[t]!)),
  beside: basis.columns.regions.map((_, r) => ways.map(({ groups }) => groups[0]!.beside[r]!)),
  sizes: basis.columns.sizes,
  fitting: new Set(fitting),
}))

/** The plain loop: every offer of every size that is large enough, the cheapest of its ways. */
function scanned(each: Needs): number[] {
  const heap = new LeastNumbers(TOP)
  for (const [seller, { hours, beside, sizes, fitting }] of coefficients.entries()) {
    const fits = sizes.map(
      ({ vcpu, memoryGiB }, size) => fitting.has(size) && vcpu >= each.vcpu && memoryGiB >= each.memoryGiB,
    )
    const perHour = rates[seller]!
    let at = 0
    for (const besides of beside) {
      for (const charged of hours) {
        for (let size = 0; size < fits.length; size += 1, at += 1) {
          if (!fits[size]) continue
          let cost = Infinity
          for (let way = 0; way < charged.length; way += 1) {
            const own = perHour[at]! * charged[way]! + besides[way]!
            if (own < cost) cost = own
          }
          heap.take(cost)
        }
      }
    }
  }
  return [heap.limit]
}

const IOPS_500 = needs.map((each) => ({ ...each, iops: 500 }))
const oursAlike = IOPS_500.map((each) => timed(() => cheapestOffers(askedOf(plan, each), TOP)))
const again = IOPS_500.map((each) => timed(() => cheapestOffers(askedOf(plan, each), TOP)).ms)
const loops = IOPS_500.slice(0, 40).map((each) => timed(() => scanned(each)))
for (const [at, { value }] of loops.entries()) {
  const last = oursAlike[at]!.value.at(-1)!.total
  const dearest = Number(last.n) / Number(last.d)
  if (Math.abs(dearest - value[0]!) > 1e-6) throw new Error(`the loop answers ${value[0]}, we ${dearest}`)
}
const [ourMedian, loopMedian] = [median(again), median(loops.map(({ ms }) => ms))]
console.log(
  `a plain loop over typed arrays: median ${shown(loopMedian)}; ours ${shown(ourMedian)}, ratio ${(loopMedian / ourMedian).toFixed(1)}`,
)

async function fillTables(db: DuckDBConnection): Promise<void> {
  await db.run(
    'create table offers (seller utinyint, region usmallint, terms utinyint, size usmallint, vcpu usmallint, memory double, rate double)',
  )
  const appender = await db.createAppender('offers')
  for (const [seller, { sizes, beside, hours, fitting }] of coefficients.entries()) {
    let at = 0
    for (let r = 0; r < beside.length; r += 1)
      for (let t = 0; t < hours.length; t += 1)
        for (const [s, { vcpu, memoryGiB }] of sizes.entries()) {
          at += 1
          if (!fitting.has(s)) continue
          appender.appendUTinyInt(seller)
          appender.appendUSmallInt(r)
          appender.appendUTinyInt(t)
          appender.appendUSmallInt(s)
          appender.appendUSmallInt(vcpu)
          appender.appendDouble(memoryGiB)
          appender.appendDouble(rates[seller]![at - 1]!)
          appender.endRow()
        }
  }
  appender.closeSync()
  await db.run('create index by_need on offers (vcpu)')
  await db.run('create table hours (seller utinyint, terms utinyint, way utinyint, hours double)')
  await db.run('create table beside (seller utinyint, region usmallint, way utinyint, beside double)')
  for (const [seller, { hours, beside }] of coefficients.entries()) {
    for (const [t, ways] of hours.entries())
      for (const [way, value] of ways.entries())
        if (!Number.isNaN(value)) await db.run(`insert into hours values (${seller}, ${t}, ${way}, ${value})`)
    for (const [r, ways] of beside.entries())
      for (const [way, value] of ways.entries())
        if (!Number.isNaN(value))
          await db.run(`insert into beside values (${seller}, ${r}, ${way}, ${value})`)
  }
}

const db = await (await DuckDBInstance.create(':memory:')).connect()
await fillTables(db)
const asSql = (each: Needs): string => `
  with lanes as (select h.seller, h.terms, b.region, h.hours, b.beside from hours h join beside b using (seller, way))
  select o.seller, o.region, o.terms, o.size, min(o.rate * l.hours + l.beside) as cost
  from offers o join lanes l on o.seller = l.seller and o.terms = l.terms and o.region = l.region
  where o.vcpu >= ${each.vcpu} and o.memory >= ${each.memoryGiB}
  group by all order by cost limit ${TOP}`
const queries: number[] = []
for (const [at, each] of IOPS_500.slice(0, 12).entries()) {
  const from = performance.now()
  const rows = await (await db.runAndReadAll(asSql(each))).getRows()
  queries.push(performance.now() - from)
  const found = new Set(rows.map(([seller, region, terms, size]) => [seller, region, terms, size].join()))
  const missing = oursAlike[at]!.value.filter(
    ({ seller, region, terms, size }) => !found.has([seller, region, terms, size].join()),
  )
  if (missing.length > 0) throw new Error(`the SQL engine lacks ${missing.length} of ours`)
}
console.log(
  `an embedded SQL engine with an index: median ${shown(median(queries))}, ratio ${(median(queries) / ourMedian).toFixed(0)}`,
)

const LOOK = { part: WHOLE_FIELD, columns: 24, rows: 20 }
const screen = (vcpu: number) =>
  timed(() => {
    const tried = { ...machine, needs: { ...machine.needs, vcpu } }
    const question = { plan, books, month: MONTH, reading: 'calendar', machine: tried } as const
    const solved = solveMarket(market, { ...question, measure: 'vcpu', listed: 200 })!
    return { solved, view: marketView(solved, LOOK) }
  })
screen(4)
const dragged = Array.from({ length: 21 }, (_, at) => screen(at))
const { solved } = dragged[4]!.value
const looks = Array.from({ length: 10 }, () => timed(() => marketView(solved, LOOK)).ms)
console.log(
  `all that a screen shows, of up to ${dragged[0]!.value.solved.fitting.toLocaleString('en')} that fit, as the need of vCPU is dragged: median ${shown(median(dragged.map(({ ms }) => ms)))}, worst ${shown(Math.max(...dragged.map(({ ms }) => ms)))}; another window of it: median ${shown(median(looks))}`,
)
process.exit(0)
