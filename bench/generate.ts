import type { Weekday } from '../src/core/calendar/civil.ts'
import type { WeekPlan } from '../src/core/calendar/weekPlan.ts'
import type { PriceBook, RegionPrices } from '../src/core/catalogue/priceBook.ts'
import type { Machine, Plan } from '../src/core/machine/plan.ts'
import { OFF_STATES } from '../src/core/power/powerState.ts'
import { gib } from '../src/core/quantity/units.ts'

/** Numbers from 0 to 1 that are the same for the same seed (mulberry32). */
function seededRandom(seed: number): () => number {
  let state = seed
  return () => {
    state = (state + 0x6d2b79f5) | 0
    let t = Math.imul(state ^ (state >>> 15), 1 | state)
    t = (t + Math.imul(t ^ (t >>> 7), 61 | t)) ^ t
    return ((t ^ (t >>> 14)) >>> 0) / 4_294_967_296
  }
}

interface BookShape {
  readonly sizes: number
  readonly regions: number
  readonly diskKinds: number
}

const STEPS = [32, 64, 128, 256, 512, 1_024, 2_048, 4_096].map(gib)

/** A large book on the pattern of a small one: its rules and images, and as many sizes, regions and kinds as asked for. */
export function largeBook(pattern: PriceBook, shape: BookShape, seed = 1): PriceBook {
  const random = seededRandom(seed)
  const diskKinds = Array.from({ length: shape.diskKinds }, (_, i) => ({
    ...pattern.diskKinds[i % pattern.diskKinds.length]!,
    id: `kind-${i}`,
    name: `Kind ${i}`,
    room: { by: 'step' as const, stepsGiB: STEPS },
  }))
  const sizes = Array.from({ length: shape.sizes }, (_, i) => ({
    ...pattern.sizes[i % pattern.sizes.length]!,
    id: `size-${i}`,
    name: `Size ${i}`,
    vcpu: 2 ** (1 + (i % 6)),
    memoryGiB: gib(2 ** (2 + (i % 7))),
    diskKinds: diskKinds.map(({ id }) => id),
  }))
  const regions = Array.from({ length: shape.regions }, (_, i) => ({
    ...pattern.regions[0]!,
    id: `region-${i}`,
    name: `Region ${i}`,
    zones: ['a', 'b', 'c'],
  }))
  const price = (most: number): string => (0.01 + random() * most).toFixed(4)
  const regionPrices = (): RegionPrices => ({
    sizes: Object.fromEntries(sizes.map(({ id }) => [id, { perHour: price(2) }])),
    disks: Object.fromEntries(
      diskKinds.map(({ id }) => [
        id,
        { perMonthByStep: Object.fromEntries(STEPS.map((step) => [String(step), price(step / 8)])) },
      ]),
    ),
    addresses: pattern.prices[pattern.regions[0]!.id]!.addresses,
  })
  return {
    ...pattern,
    sizes,
    regions,
    diskKinds,
    prices: Object.fromEntries(regions.map(({ id }) => [id, regionPrices()])),
  }
}

const ZONES = ['Europe/Lisbon', 'Asia/Kolkata', 'America/Halifax', 'Australia/Lord_Howe', 'Etc/UTC']

const randomWeek = (id: string, random: () => number): WeekPlan => ({
  id,
  name: id,
  timeZone: ZONES[Math.floor(random() * ZONES.length)]!,
  windows: ([0, 1, 2, 3, 4] as Weekday[]).map((day) => {
    const from = 60 * Math.floor(6 + random() * 6)
    return { day, from, to: from + 60 * Math.floor(2 + random() * 10) }
  }),
  datesOff: [],
})

export function largePlan(book: PriceBook, machineCount: number, weekCount: number, seed = 2): Plan {
  const random = seededRandom(seed)
  const pick = <T>(items: readonly T[]): T => items[Math.floor(random() * items.length)]!
  const weeks = Array.from({ length: weekCount }, (_, i) => randomWeek(`week-${i}`, random))
  const machines = Array.from({ length: machineCount }, (_, i): Machine => ({
    name: `machine-${i}`,
    purpose: '',
    needs: { vcpu: 2, memoryGiB: gib(4), iops: 0 },
    provider: book.provider.id,
    region: pick(book.regions).id,
    zone: 'a',
    size: pick(book.sizes).id,
    image: pick(book.images).id,
    terms: 'on-demand',
    systemDisk: { kind: pick(book.diskKinds).id, roomGiB: pick([32, 64, 100, 128, 500].map(gib)) },
    dataDisks: [],
    address: pick(['none', 'changing', 'fixed'] as const),
    week: pick(weeks).id,
    off: pick(OFF_STATES),
  }))
  return { name: 'Large plan', month: '2027-03' as Plan['month'], weeks, machines }
}
