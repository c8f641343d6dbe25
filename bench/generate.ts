import type { Weekday } from '../src/core/calendar/civil.ts'
import type { WeekPlan } from '../src/core/calendar/weekPlan.ts'
import type { PriceBook } from '../src/core/catalogue/priceBook.ts'
import type { RegionPrices } from '../src/core/catalogue/regionPrices.ts'
import type { Disk, Machine, Plan } from '../src/core/machine/plan.ts'
import { POWER_STATES } from '../src/core/off/powerState.ts'
import { gib } from '../src/core/quantity/units.ts'

/** Numbers from 0 to 1 that are the same for the same seed (mulberry32). */
export function seededRandom(seed: number): () => number {
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

/** A larger disk costs more, as it does nearly everywhere. */
const risingSteps = (random: () => number): [string, string][] => {
  const perGiB = 0.01 + random() * 0.1
  return STEPS.map((step) => [String(step), (perGiB * step).toFixed(4)])
}

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
      diskKinds.map(({ id }) => [id, { perMonthByStep: Object.fromEntries(risingSteps(random)) }]),
    ),
    addresses: pattern.prices[pattern.regions[0]!.id]!.addresses,
  })
  const { replacedSizes, quotas, ...rules } = pattern
  return {
    ...rules,
    sizes,
    regions,
    diskKinds,
    prices: Object.fromEntries(regions.map(({ id }) => [id, regionPrices()])),
  }
}

/** The book with every rule of billing: rebate, spot, commitments, flat plans, allowances, snapshots, traffic. */
export function withAllRules(book: PriceBook): PriceBook {
  const kinds = book.diskKinds.map(({ id }) => id)
  return {
    ...book,
    billing: {
      ...book.billing,
      longRunRebate: [
        { upToShare: '0.25', rateShare: '1' },
        { upToShare: '0.5', rateShare: '0.9' },
        { upToShare: '1', rateShare: '0.7' },
      ],
    },
    states: {
      ...book.states,
      ...(book.states.hibernated && { hibernated: { ...book.states.hibernated, memoryImage: true } }),
    },
    terms: [
      { id: 'on-demand', name: 'On demand', kind: 'on-demand' },
      { id: 'spot', name: 'Spot', kind: 'spot', interruption: 'often', hibernation: true },
      { id: 'year', name: 'One year', kind: 'commitment', months: 12, upFront: 'part' },
      { id: 'flat', name: 'Flat', kind: 'flat', capHours: 650 },
    ],
    freeAllowances: [
      {
        id: 'hours',
        hoursPerMonth: 600,
        eligible: book.sizes.slice(0, 40).map(({ id }) => id),
        until: '2027-12-31',
      },
      {
        id: 'room',
        gibPerMonth: gib(512),
        eligible: [],
        eligibleKinds: kinds.slice(0, 1),
        until: '2027-12-31',
      },
    ],
    prices: Object.fromEntries(
      Object.entries(book.prices).map(([id, prices]) => [id, pricesOfAllRules(prices)]),
    ),
  }
}

const pricesOfAllRules = (prices: RegionPrices): RegionPrices => ({
  ...prices,
  sizes: Object.fromEntries(
    Object.entries(prices.sizes).map(([id, price]) => [
      id,
      {
        ...price,
        terms: {
          spot: { perHour: '0.0137' },
          year: { perHour: '0.0211', upFront: '187.33' },
          flat: { perHour: '0.0193' },
        },
      },
    ]),
  ),
  disks: Object.fromEntries(
    Object.entries(prices.disks).map(([id, price]) => [
      id,
      {
        ...price,
        perExtraIopsMonth: '0.0051',
        perExtraMegabytesPerSecondMonth: '0.041',
        perTenThousandOperations: '0.0004',
      },
    ]),
  ),
  memoryImagePerGiBMonth: '0.0471',
  snapshotPerGiBMonth: '0.0313',
  restorePerGiB: '0.0061',
  trafficOut: [{ upToGiB: 100, perGiB: '0' }, { upToGiB: 1_000, perGiB: '0.09' }, { perGiB: '0.07' }],
})

const ZONES = ['Europe/Lisbon', 'Asia/Kolkata', 'America/Halifax', 'Australia/Lord_Howe', 'Etc/UTC']

const randomWeek = (id: string, random: () => number): WeekPlan => ({
  id,
  name: id,
  timeZone: ZONES[Math.floor(random() * ZONES.length)]!,
  windows: ([0, 1, 2, 3, 4] as Weekday[]).map((day) => {
    const from = 60 * Math.floor(6 + random() * 6)
    return { day, from, to: from + 60 * Math.floor(2 + random() * 10) }
  }),
  exceptions: [],
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
    off: pick(POWER_STATES),
  }))
  return { name: 'Large plan', month: '2027-03' as Plan['month'], weeks, machines }
}

/** The plan with every rule of a book with all rules in use on some of its machines. */
export function usingAllRules(plan: Plan, book: PriceBook, seed = 3): Plan {
  const random = seededRandom(seed)
  const pick = <T>(items: readonly T[]): T => items[Math.floor(random() * items.length)]!
  const anyDisk = (): Disk => ({
    kind: pick(book.diskKinds).id,
    roomGiB: pick([32, 100, 512].map(gib)),
    goes: random() < 0.5,
    extraIops: pick([0, 500]),
    extraMegabytesPerSecond: pick([0, 75]),
    operationsPerMonth: pick([0, 1_000_000]),
    snapshots: { every: 'day', kept: pick([0, 3, 7]), changedPercent: 10 },
  })
  return {
    ...plan,
    machines: plan.machines.map((machine) => ({
      ...machine,
      size: random() < 0.2 ? book.sizes[Math.floor(random() * 40)]!.id : machine.size,
      terms: pick(['on-demand', 'on-demand', 'on-demand', 'spot', 'year', 'flat']),
      ownLicence: random() < 0.3,
      systemDisk: { ...anyDisk(), goes: true },
      dataDisks: random() < 0.4 ? [anyDisk(), anyDisk()] : [],
      trafficOutGiB: pick([0, 0, 80, 420].map(gib)),
    })),
  }
}
