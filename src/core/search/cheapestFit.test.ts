import fc from 'fast-check'
import { describe, expect, test } from 'vitest'
import { finish } from '../finish.ts'
import type { YearMonth } from '../calendar/yearMonth.ts'
import { indexBook } from '../catalogue/bookIndex.ts'
import type { PriceBook } from '../catalogue/priceBook.ts'
import { fitReasons } from '../fit/fitReasons.ts'
import type { PlateId } from '../machine/decision.ts'
import { exchanged } from '../machine/exchange.ts'
import { IMAGE_NEEDS } from '../machine/imageNeed.ts'
import type { Keep } from '../machine/needs.ts'
import type { Machine, Plan } from '../machine/plan.ts'
import { resolveMachine } from '../machine/resolveMachine.ts'
import { machineTotal } from '../meter/machineTotal.ts'
import { PlanPricing } from '../meter/planPricing.ts'
import { POWER_STATES } from '../off/powerState.ts'
import { compare, type Exact } from '../quantity/exact.ts'
import { gib } from '../quantity/units.ts'
import { plateInputs } from '../testing/plateInputs.ts'
import { OFFICE_WEEK } from '../testing/resolved.ts'
import { RULE_BOOK } from '../testing/ruleBook.ts'
import { SMALL_MACHINE } from '../testing/smallBook.ts'
import { cheapestFit, type Found } from './cheapestFit.ts'
import type { PlatesInputs } from '../notches/plate.ts'

const MONTH = '2027-03' as YearMonth

const anyPrice = fc.integer({ min: 1, max: 3_000 }).map((n) => (n / 10_000).toFixed(4))

/** The book with every rule, its rates for machines and disks drawn anew, and some sizes sold in one zone only. */
const anyBook = (id: string, currency: string): fc.Arbitrary<PriceBook> =>
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

const anyMachine: fc.Arbitrary<Machine> = fc
  .record({
    vcpu: fc.constantFrom(0, 2, 4, 5),
    memory: fc.constantFrom(0, 8, 16, 40),
    iops: fc.constantFrom(0, 3_000),
    keeps: fc.subarray<Keep>(['memory', 'address', 'local-disk', 'hardware']),
    off: fc.constantFrom(...POWER_STATES),
    address: fc.constantFrom('none', 'fixed'),
    pinned: fc.subarray<PlateId>(['size', 'place', 'terms', 'disk-kind', 'disk-room', 'off']),
    data: fc.boolean(),
    goes: fc.boolean(),
    jurisdictions: fc.constantFrom([], ['EU'], ['CA']),
    image: fc.constantFrom(undefined, ...IMAGE_NEEDS),
    disk: fc.constantFrom(undefined, 20, 50, 140),
    room: fc.constantFrom(24, 64, 130),
  })
  .map(
    ({ vcpu, memory, iops, keeps, off, address, pinned, data, goes, jurisdictions, image, disk, room }) => ({
      ...SMALL_MACHINE,
      needs: {
        vcpu,
        memoryGiB: gib(memory),
        iops,
        keeps,
        jurisdictions,
        ...(image !== undefined && { image }),
        ...(disk !== undefined && { diskGiB: gib(disk) }),
      },
      systemDisk: { kind: 'steps', roomGiB: gib(room), goes },
      dataDisks: data ? [{ kind: 'steps', roomGiB: gib(32) }] : [],
      off,
      address,
      pinned,
    }),
  )

function inputsFor(plan: Plan, books: readonly PriceBook[], machine: Machine): PlatesInputs {
  const pricing = new PlanPricing({ plan, books, month: MONTH, reading: 'calendar' })
  const priced = pricing.of(machine)
  if (!priced.ok) throw new Error(JSON.stringify(priced.issues))
  const { resolved, month, account } = priced
  return { resolved, plan, month, shared: account.planned, elsewhere: pricing.elsewhere(resolved.index) }
}

const search = (inputs: PlatesInputs): Found | undefined => finish(cheapestFit(inputs))

/** Rooms about all that can matter: steps, images, needs, memory images, operations that come with room. */
const roomsOf = ({ systemDisk, needs }: Machine, kind: string): number[] =>
  kind === 'own'
    ? [systemDisk.roomGiB]
    : [...new Set([10, 14, 22, 32, 40, 46, 64, 128, 145, systemDisk.roomGiB, needs.diskGiB ?? 10, Math.max(10, (needs.diskGiB ?? 10) - 32)])] // prettier-ignore

/** Every combination, each resolved, checked and priced on its own. */
function exhaustive(inputs: PlatesInputs): Exact | undefined {
  const { resolved, plan, month, shared, elsewhere = [] } = inputs
  const { machine } = resolved
  const pinned = new Set(machine.pinned)
  const isHeld = ['size', 'place', 'terms', 'disk-kind'].some((id) => pinned.has(id as PlateId))
  const own = { index: resolved.index, month, shared, exchange: { kind: 'same' } as const }
  let least: Exact | undefined
  for (const offer of isHeld ? [own] : [own, ...elsewhere]) {
    const { book } = offer.index
    for (const { id: region, zones } of book.regions)
      for (const zone of zones)
        for (const size of book.sizes)
          for (const kind of book.diskKinds)
            for (const terms of book.terms)
              for (const off of POWER_STATES)
                for (const image of book.images)
                  for (const room of roomsOf(machine, kind.id)) {
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
                      systemDisk: { ...machine.systemDisk, kind: kind.id, roomGiB: gib(room) },
                    }
                    const held =
                      (machine.needs.image === undefined && image.id !== machine.image) ||
                      (pinned.has('disk-room') && room !== machine.systemDisk.roomGiB) ||
                      (pinned.has('size') && size.id !== machine.size) ||
                      (pinned.has('terms') && terms.id !== machine.terms) ||
                      (pinned.has('off') && off !== machine.off) ||
                      (pinned.has('disk-kind') && kind.id !== machine.systemDisk.kind) ||
                      (pinned.has('place') && (region !== machine.region || zone !== machine.zone))
                    if (held) continue
                    const found = resolveMachine(changed, plan, offer.index)
                    if (!found.ok || fitReasons(found.value).length > 0) continue
                    const total = machineTotal(found.value, offer.month, offer.shared)
                    const inOwn = total && exchanged(total, offer.exchange)
                    if (inOwn && (!least || compare(inOwn, least) < 0)) least = inOwn
                  }
  }
  return least
}

describe('the cheapest that still fits', () => {
  test('is what an exhaustive search finds, over two providers, with anything pinned', () => {
    let fitting = 0
    fc.assert(
      fc.property(anyBook('mill', 'EUR'), anyBook('weir', 'USD'), anyMachine, (own, other, machine) => {
        const plan: Plan = {
          name: 'any',
          month: MONTH,
          weeks: [OFFICE_WEEK],
          machines: [machine, { ...machine, name: 'second', size: 'tenth' }],
          exchangeRates: [{ from: 'USD', to: 'EUR', rate: '0.9184', date: '2027-02-26' }],
        }
        const inputs = inputsFor(plan, [own, other], machine)
        const found = search(inputs)
        const expected = exhaustive(inputs)
        if (!expected) expect(found).toBeUndefined()
        else {
          fitting += 1
          expect(found && compare(found.total, expected)).toBe(0)
          // What is found is what it says: it fits, and costs that.
          const index = found!.machine.provider === 'mill' ? inputs.resolved.index : indexBook(other)
          const resolved = resolveMachine(found!.machine, plan, index)
          expect(resolved.ok && fitReasons(resolved.value)).toEqual([])
        }
      }),
      { seed: 314, numRuns: 14 },
    )
    expect(fitting).toBeGreaterThan(3)
  })

  test('changes nothing where nothing is cheaper, and leaves out what has no exchange rate', () => {
    const machine: Machine = { ...SMALL_MACHINE, needs: { vcpu: 4, memoryGiB: gib(16), iops: 0 } }
    const plan: Plan = { name: 'any', month: MONTH, weeks: [OFFICE_WEEK], machines: [machine] }
    const cheap = { ...RULE_BOOK, provider: { id: 'weir', name: 'Weir' }, currency: 'USD' }
    const best = search(inputsFor(plan, [RULE_BOOK, cheap], machine))!
    expect(best.machine.provider).toBe('mill')
    const again = { ...plan, machines: [best.machine] }
    expect(search(inputsFor(again, [RULE_BOOK, cheap], best.machine))!.machine).toEqual(best.machine)
  })
})

test('of several that cost the same and change as much, the first of the book is found', () => {
  const middle = RULE_BOOK.sizes.find(({ id }) => id === 'middle')!
  const twins = ['twin-a', 'twin-b'].map((id) => ({ ...middle, id, name: id }))
  const prices = Object.fromEntries(
    Object.entries(RULE_BOOK.prices).map(([region, { sizes, ...rest }]) => [
      region,
      { ...rest, sizes: { ...sizes, 'twin-a': { perHour: '0.0001' }, 'twin-b': { perHour: '0.0001' } } },
    ]),
  )
  const found = (order: readonly (typeof middle)[]): string | undefined => {
    const book = { ...RULE_BOOK, sizes: [...order, ...RULE_BOOK.sizes], prices }
    return search(
      plateInputs({ pinned: ['place', 'terms', 'disk-kind', 'disk-room', 'image', 'off'] }, [book]),
    )?.machine.size
  }
  expect(found(twins)).toBe('twin-a')
  expect(found(twins.toReversed())).toBe('twin-b')
})
