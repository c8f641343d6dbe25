import fc from 'fast-check'
import type { YearMonth } from '../calendar/yearMonth.ts'
import type { PriceBook } from '../catalogue/priceBook.ts'
import { fitReasons } from '../fit/fitReasons.ts'
import type { PlateId } from '../machine/decision.ts'
import { exchanged } from '../machine/exchange.ts'
import { onKind } from '../machine/onKind.ts'
import { heldInputs } from '../notches/heldInputs.ts'
import { IMAGE_NEEDS } from '../machine/imageNeed.ts'
import type { Keep } from '../machine/needs.ts'
import type { Machine, Plan } from '../machine/plan.ts'
import { resolveMachine, type ResolvedMachine } from '../machine/resolveMachine.ts'
import { machineTotal } from '../meter/machineTotal.ts'
import { PlanPricing } from '../meter/planPricing.ts'
import type { PlatesInputs } from '../notches/plate.ts'
import { POWER_STATES } from '../off/powerState.ts'
import type { Exact } from '../quantity/exact.ts'
import { gib } from '../quantity/units.ts'
import { RULE_BOOK } from './ruleBook.ts'
import { SMALL_MACHINE } from './smallBook.ts'

export const MARKET_MONTH = '2027-03' as YearMonth

const anyPrice = fc.integer({ min: 1, max: 3_000 }).map((n) => (n / 10_000).toFixed(4))

/** The book with every rule, its rates for machines and disks drawn anew, and some sizes sold in one zone only. */
export const anyMarketBook = (id: string, currency: string): fc.Arbitrary<PriceBook> =>
  fc
    .record({
      east: fc.array(anyPrice, { minLength: 20, maxLength: 20 }),
      west: fc.array(anyPrice, { minLength: 20, maxLength: 20 }),
      zones: fc.array(fc.constantFrom(['a', 'b'], ['a'], ['b']), { minLength: 20, maxLength: 20 }),
      rebate: fc.boolean(),
      free: fc.boolean(),
      carries: fc.array(fc.subarray(['steps', 'gib', 'bought', 'own'], { minLength: 1 }), {
        minLength: 20,
        maxLength: 20,
      }),
    })
    .map(({ east, west, zones, rebate, free, carries }) => ({
      ...RULE_BOOK,
      provider: { id, name: id },
      currency,
      billing: {
        ...RULE_BOOK.billing,
        ...(rebate && {
          longRunRebate: [
            { upToShare: '0.2', rateShare: '1' },
            { upToShare: '1', rateShare: '0.5' },
          ],
        }),
      },
      ...(free && {
        freeAllowances: [{ id: 'pool', hoursPerMonth: 100, eligible: ['tenth'], until: '2027-12-31' }],
      }),
      sizes: RULE_BOOK.sizes.map((size, i) => ({ ...size, diskKinds: carries[i]! })),
      prices: {
        east: { ...RULE_BOOK.prices.east!, sizes: withRates(east, zones) },
        west: { ...RULE_BOOK.prices.east!, sizes: withRates(west, []) },
      },
    }))

const withRates = (rates: readonly string[], zones: readonly (readonly string[])[]) =>
  Object.fromEntries(
    Object.entries(RULE_BOOK.prices.east!.sizes).map(([id, price], i) => [
      id,
      {
        ...price,
        zones: zones[i] ?? ['a'],
        ...(price.perHour !== undefined && { perHour: rates[i]! }),
      },
    ]),
  )

export const anyMarketMachine: fc.Arbitrary<Machine> = fc
  .record({
    vcpu: fc.constantFrom(0, 2, 4, 5),
    memory: fc.constantFrom(0, 8, 16, 40),
    iops: fc.constantFrom(0, 3_000),
    keeps: fc.subarray<Keep>(['memory', 'address', 'local-disk', 'hardware']),
    off: fc.constantFrom(...POWER_STATES),
    address: fc.constantFrom('none', 'fixed'),
    pinned: fc.subarray<PlateId>(['size', 'place', 'terms', 'disk-kind', 'disk-room', 'off']),
    data: fc.constantFrom(undefined, undefined, 'steps', 'own'),
    dataGoes: fc.boolean(),
    snapshots: fc.boolean(),
    system: fc.constantFrom('steps', 'steps', 'own'),
    goes: fc.boolean(),
    jurisdictions: fc.constantFrom([], ['EU'], ['CA']),
    image: fc.constantFrom(undefined, ...IMAGE_NEEDS),
    disk: fc.constantFrom(undefined, 20, 50, 140),
    eased: fc.subarray(['architecture', 'disks', 'interruption', 'data'] as const),
    room: fc.constantFrom(24, 64, 130),
  })
  .map(
    ({
      vcpu,
      memory,
      iops,
      keeps,
      off,
      address,
      pinned,
      data,
      dataGoes,
      snapshots,
      system,
      goes,
      jurisdictions,
      image,
      disk,
      room,
      eased,
    }) => ({
      ...SMALL_MACHINE,
      needs: {
        vcpu,
        memoryGiB: gib(memory),
        iops,
        keeps,
        jurisdictions,
        ...(image !== undefined && { image }),
        ...(disk !== undefined && { diskGiB: gib(disk) }),
        ...Object.fromEntries(eased.map((need) => [need, 'any' as const])),
      },
      systemDisk: { kind: system, roomGiB: gib(room), goes },
      dataDisks: data
        ? [
            {
              kind: data,
              roomGiB: gib(32),
              goes: dataGoes,
              ...(snapshots && { snapshots: { every: 'week', kept: 2, changedPercent: 5 } as const }),
            },
          ]
        : [],
      off,
      address,
      pinned,
    }),
  )

export function marketInputs(plan: Plan, books: readonly PriceBook[], machine: Machine): PlatesInputs {
  const pricing = new PlanPricing({ plan, books, month: MARKET_MONTH, reading: 'calendar' })
  const priced = pricing.of(machine)
  if (!priced.ok) throw new Error(JSON.stringify(priced.issues))
  const { resolved, month, account } = priced
  const elsewhere = pricing.elsewhere(resolved.index)
  return heldInputs({ resolved, plan, month, shared: account.planned, elsewhere })
}

/** Rooms about all that can matter: steps, images, needs, memory images, operations that come with room. */
const roomsOf = ({ systemDisk, needs }: Machine, kind: string): number[] =>
  kind === 'own'
    ? [systemDisk.roomGiB]
    : [...new Set([10, 14, 22, 32, 40, 46, 64, 128, 145, systemDisk.roomGiB, needs.diskGiB ?? 10, Math.max(10, (needs.diskGiB ?? 10) - 32)])] // prettier-ignore

export interface PricedForm {
  readonly resolved: ResolvedMachine
  /** In the currency of the machine that is asked about. */
  readonly total: Exact
}

/** Every combination that fits, each resolved, checked and priced on its own. */
export function* everyForm(inputs: PlatesInputs): Generator<PricedForm> {
  const { resolved, plan, month, shared, elsewhere = [] } = inputs
  const { machine } = resolved
  const pinned = new Set(machine.pinned)
  const isHeld = ['size', 'place', 'terms', 'disk-kind'].some((id) => pinned.has(id as PlateId))
  const own = { index: resolved.index, month, shared, exchange: { kind: 'same' } as const }
  for (const offer of isHeld ? [own] : [own, ...elsewhere]) {
    const { book } = offer.index
    for (const { id: region, zones } of book.regions)
      for (const zone of zones)
        for (const size of book.sizes)
          for (const kind of book.diskKinds)
            for (const terms of book.terms)
              for (const off of POWER_STATES)
                for (const image of book.images) {
                  const isOther =
                    (machine.needs.image === undefined && image.id !== machine.image) ||
                    (pinned.has('size') && size.id !== machine.size) ||
                    (pinned.has('terms') && terms.id !== machine.terms) ||
                    (pinned.has('off') && off !== machine.off) ||
                    (pinned.has('disk-kind') && kind.id !== machine.systemDisk.kind) ||
                    (pinned.has('place') && (region !== machine.region || zone !== machine.zone))
                  if (isOther) continue
                  const chosen = size.choice && {
                    vcpu: Math.max(2, Math.ceil((machine.needs.vcpu || resolved.size.vcpu) / 2) * 2),
                    memoryGiB: gib(Math.max(2, machine.needs.memoryGiB || resolved.size.memoryGiB)),
                  }
                  const changed: Machine = {
                    ...machine,
                    provider: book.provider.id,
                    region,
                    zone,
                    size: size.id,
                    ...(chosen && { chosen }),
                    terms: terms.id,
                    off,
                    image: image.id,
                    systemDisk: onKind(machine.systemDisk, kind.id),
                  }
                  // What has no such name has none whatever its disk's room is.
                  if (!resolveMachine(changed, plan, offer.index).ok) continue
                  for (const room of roomsOf(machine, kind.id)) {
                    if (pinned.has('disk-room') && room !== machine.systemDisk.roomGiB) continue
                    const roomy = { ...changed, systemDisk: { ...changed.systemDisk, roomGiB: gib(room) } }
                    const found = resolveMachine(roomy, plan, offer.index)
                    if (!found.ok || fitReasons(found.value).length > 0) continue
                    const total = machineTotal(found.value, offer.month, offer.shared)
                    const inOwn = total && exchanged(total, offer.exchange)
                    if (inOwn) yield { resolved: found.value, total: inOwn }
                  }
                }
  }
}
