import fc from 'fast-check'
import { SHUTDOWN_STATES } from '../calendar/autoShutdown.ts'
import type { FreeAllowance, Image, PriceBook, Size } from '../catalogue/priceBook.ts'
import type { LicencePrice, LicencePrices } from '../catalogue/regionPrices.ts'
import { SNAPSHOT_EVERY, type Disk, type Machine } from '../machine/plan.ts'
import type { LongGap } from '../off/offPlan.ts'
import { POWER_STATES } from '../off/powerState.ts'
import { gib } from '../quantity/units.ts'
import { bandedBook } from './bandedBook.ts'
import { EVERY_DAY, weekOf } from './weeks.ts'

const RATE_FIELDS = ['perSecond', 'perHour', 'perMonth', 'perVcpuHour', 'perCoreHour', 'perGiBHour'] as const

/** What a region of a book sells: every size with the terms on which it does. */
function offersOf(book: PriceBook, region: string): { readonly size: Size; readonly terms: string }[] {
  return Object.entries(book.prices[region]!.sizes).flatMap(([id, price]) => {
    const size = book.sizes.find((each) => each.id === id)!
    const onDemand = book.terms.find(({ kind }) => kind === 'on-demand')
    const listed = onDemand && RATE_FIELDS.some((field) => price[field] !== undefined) ? [onDemand.id] : []
    return [...listed, ...Object.keys(price.terms ?? {})].map((terms) => ({ size, terms }))
  })
}

/** Any machine that a book can price, fitting or not. Those that an allowance is for come up often. */
export function anyMachineOf(book: PriceBook, weekIds: readonly string[]): fc.Arbitrary<Machine> {
  const free = new Set(book.freeAllowances?.flatMap(({ eligible }) => eligible))
  const places = book.regions.map(({ id, zones }) => {
    const offers = offersOf(book, id)
    return { region: id, zone: zones[0]!, offers, favoured: offers.filter(({ size }) => free.has(size.id)) }
  })
  return fc
    .tuple(fc.constantFrom(...places), fc.boolean())
    .chain(([{ region, zone, offers, favoured }, favour]) =>
      fc.constantFrom(...(favour && favoured.length > 0 ? favoured : offers)).chain(({ size, terms }) =>
        fc.record(
          {
            name: fc.constant('any'),
            purpose: fc.constant(''),
            needs: fc.constant({ vcpu: 0, memoryGiB: gib(0), iops: 0 }),
            provider: fc.constant(book.provider.id),
            region: fc.constant(region),
            zone: fc.constant(zone),
            size: fc.constant(size.id),
            chosen: fc.constant({ vcpu: 6, memoryGiB: gib(20) }),
            image: fc.constantFrom(...book.images.map(({ id }) => id)),
            ownLicence: fc.boolean(),
            terms: fc.constant(terms),
            systemDisk: anyDisk(book, region, size),
            dataDisks: fc.array(anyDisk(book, region, size), { maxLength: 2 }),
            address: fc.constantFrom('none', ...addressSorts(book, region)),
            addressGoes: fc.boolean(),
            trafficOutGiB: fc.constantFrom(gib(0), gib(12.5), gib(180), gib(2_600)),
            week: fc.constantFrom(...weekIds),
            off: anyState(book),
            longGaps: anyLongGaps(book),
          },
          {
            requiredKeys: [
              'name',
              'purpose',
              'needs',
              'provider',
              'region',
              'zone',
              'size',
              'image',
              'terms',
              'systemDisk',
              'dataDisks',
              'address',
              'week',
              'off',
            ],
          },
        ),
      ),
    )
}

const anyState = (book: PriceBook) => fc.constantFrom(...POWER_STATES.filter((state) => book.states[state]))

const anyLongGaps = (book: PriceBook): fc.Arbitrary<LongGap[]> =>
  fc
    .uniqueArray(
      fc.record({
        fromMinutes: fc.oneof(fc.integer({ min: 1, max: 400 }), fc.integer({ min: 1, max: 70 * 60 })),
        off: anyState(book),
      }),
      { minLength: 1, maxLength: 3, selector: ({ fromMinutes }) => fromMinutes },
    )
    .map((gaps) => gaps.sort((a, b) => a.fromMinutes - b.fromMinutes))

const addressSorts = (book: PriceBook, region: string): ('fixed' | 'changing')[] =>
  (['fixed', 'changing'] as const).filter((sort) => book.prices[region]!.addresses[sort])

function anyDisk(book: PriceBook, region: string, size: Size): fc.Arbitrary<Disk> {
  const { disks } = book.prices[region]!
  const kinds = book.diskKinds.filter(({ id, room }) =>
    room.by === 'size' ? size.localDiskGiB !== undefined : disks[id] !== undefined,
  )
  return fc.constantFrom(...kinds).chain((kind): fc.Arbitrary<Disk> => {
    const price = disks[kind.id]
    return fc.record(
      {
        kind: fc.constant(kind.id),
        roomGiB: fc.constantFrom(...[20, 33.5, 64, 100].map(gib)),
        goes: fc.boolean(),
        extraIops: fc.constantFrom(...(price?.perExtraIopsMonth ? [0, 500] : [0])),
        extraMegabytesPerSecond: fc.constantFrom(...(price?.perExtraMegabytesPerSecondMonth ? [0, 75] : [0])),
        operationsPerMonth: fc.constantFrom(0, 123_456),
        snapshots: fc.record({
          every: fc.constantFrom(...SNAPSHOT_EVERY),
          kept: fc.integer({ min: 0, max: 5 }),
          changedPercent: fc.integer({ min: 0, max: 100 }),
        }),
      },
      { requiredKeys: ['kind', 'roomGiB'] },
    )
  })
}

const anyShutdown = fc.record({
  minute: fc.integer({ min: 0, max: 1_439 }),
  days: fc.constantFrom(EVERY_DAY, EVERY_DAY.slice(0, 5), EVERY_DAY.slice(4)),
  off: fc.constantFrom(...SHUTDOWN_STATES),
})

/** Weeks in several zones, of windows that may overlap, run over midnight, or be minutes long. */
export const anyWeek = (id: string) =>
  fc
    .record({
      zone: fc.constantFrom('Etc/UTC', 'Europe/Lisbon', 'America/Halifax', 'Australia/Lord_Howe'),
      windows: fc.array(
        fc.record({
          day: fc.constantFrom(...EVERY_DAY),
          from: fc.integer({ min: 0, max: 1_439 }),
          length: fc.oneof(fc.integer({ min: 1, max: 5 }), fc.integer({ min: 1, max: 1_440 })),
        }),
        { maxLength: 6 },
      ),
      // Seldom, since the slow meter then walks further.
      autoShutdown: fc.option(anyShutdown, { nil: undefined, freq: 1 }),
    })
    .map(({ zone, windows, autoShutdown }) => ({
      ...weekOf(
        zone,
        windows.map(({ day, from, length }) => ({ day, from, to: from + length })),
      ),
      ...(autoShutdown && { autoShutdown }),
      id,
    }))

/** Every third size has a rate by the second beside what it has. */
const pricesBySecond = (book: PriceBook, perSecond: string): PriceBook['prices'] =>
  Object.fromEntries(
    Object.entries(book.prices).map(([region, prices]) => [
      region,
      {
        ...prices,
        sizes: Object.fromEntries(
          Object.entries(prices.sizes).map(([id, price], i) => [
            id,
            i % 3 === 0 && RATE_FIELDS.some((field) => price[field] !== undefined)
              ? { ...price, perSecond }
              : price,
          ]),
        ),
      },
    ]),
  )

/** Every second size prices the book's licences by itself, and some of its terms do so otherwise. */
const licencesBySize = (book: PriceBook, own: LicencePrice | undefined): PriceBook['prices'] =>
  own === undefined
    ? book.prices
    : Object.fromEntries(
        Object.entries(book.prices).map(([region, prices]) => [
          region,
          {
            ...prices,
            sizes: Object.fromEntries(
              Object.entries(prices.sizes).map(([id, price], i) => {
                const licences = Object.fromEntries(book.licences.map(({ id: licence }) => [licence, own]))
                const terms = Object.fromEntries(
                  Object.entries(price.terms ?? {}).map(([name, offer], at) => [
                    name,
                    at % 2 === 0 ? { ...offer, licences: mapLicences(licences) } : offer,
                  ]),
                )
                return [id, i % 2 === 0 ? { ...price, licences, ...(price.terms && { terms }) } : price]
              }),
            ),
          },
        ]),
      )

const mapLicences = (licences: LicencePrices): LicencePrices =>
  Object.fromEntries(Object.keys(licences).map((id) => [id, { perHour: '0.0123456789' }]))

const anyPool = fc.record({
  hours: fc.option(fc.integer({ min: 0, max: 500 }), { nil: undefined }),
  room: fc.option(fc.integer({ min: 1, max: 150 }), { nil: undefined }),
  until: fc.constantFrom('2026-12-31', '2027-03-17', '2027-06-30', '2099-12-31'),
  /** Which of three of each sort of thing it is for. */
  isFor: fc.integer({ min: 1, max: 7 }),
})

/** A pool of hours, of room, or of both: pools overlap, end, and take over from each other. */
function poolIn(
  { sizes, diskKinds }: PriceBook,
  { hours, room, until, isFor }: ReturnType<typeof anyPool.generate>['value'],
  id: string,
): FreeAllowance {
  const some = (items: readonly { readonly id: string }[]): string[] =>
    items.flatMap((item, i) => ((isFor >> (i % 3)) & 1 ? [item.id] : []))
  const kinds = diskKinds.filter((kind) => kind.room.by !== 'size')
  return {
    id,
    until,
    eligible: some(sizes),
    eligibleKinds: some(kinds),
    ...(room !== undefined && { gibPerMonth: gib(room) }),
    ...((hours !== undefined || room === undefined) && { hoursPerMonth: hours ?? 40 }),
  }
}

/** Every image with a licence has the first of the book as its subscription, too, where that is another. */
const withSubscriptions = ({ images, licences }: PriceBook): Pick<PriceBook, 'images' | 'licences'> => {
  const [first] = licences
  const subscribes = ({ licence }: Image): boolean => first !== undefined && licence !== first.id
  return {
    images: images.map((image) =>
      first && image.licence !== undefined && subscribes(image)
        ? { ...image, subscription: first.id }
        : image,
    ),
    licences,
  }
}

/** The book with some of its rules changed: minimum and increment, pools, caps, rates by the second, bands. */
export const anyRulesOf = (book: PriceBook): fc.Arbitrary<PriceBook> =>
  fc
    .record({
      minimumSeconds: fc.constantFrom(0, 60, 3_600),
      incrementSeconds: fc.constantFrom(1, 60, 3_600),
      hours: fc.integer({ min: 0, max: 900 }),
      room: fc.integer({ min: 1, max: 120 }),
      until: fc.constantFrom('2027-02-10', '2027-12-31'),
      pools: fc.array(anyPool, { maxLength: 3 }),
      subscribed: fc.boolean(),
      capHours: fc.integer({ min: 1, max: 700 }),
      firstBand: fc.constantFrom('0.1', '0.333', '0.49'),
      least: fc.constantFrom(undefined, '7.5', '60'),
      perSecond: fc.constantFrom(undefined, '0.0000123456789012'),
      licence: fc.constantFrom(
        undefined,
        { perSecond: '0.00001' },
        { perHour: '0.07' },
        { perMonth: '21.4' },
      ),
      bands: fc.option(
        fc.record({ hours: fc.integer({ min: 1, max: 400 }), gib: fc.integer({ min: 1, max: 300 }) }),
        { nil: undefined },
      ),
    })
    .map(({ bands, ...rules }) => ({ ...rules, book: bands ? bandedBook(book, bands) : book }))
    .map(
      ({
        book,
        licence,
        perSecond,
        least,
        minimumSeconds,
        incrementSeconds,
        hours,
        room,
        until,
        pools,
        subscribed,
        capHours,
        firstBand,
      }) => ({
        ...book,
        ...(subscribed && withSubscriptions(book)),
        ...((perSecond !== undefined || licence) && {
          prices: licencesBySize(
            perSecond === undefined ? book : { ...book, prices: pricesBySecond(book, perSecond) },
            licence,
          ),
        }),
        billing: {
          ...book.billing,
          minimumSeconds,
          incrementSeconds,
          ...(least !== undefined && { minimumPerMachineMonth: least }),
          ...(book.billing.longRunRebate && {
            longRunRebate: book.billing.longRunRebate.map((band, i) =>
              i === 0 && Number(firstBand) < Number(book.billing.longRunRebate![1]!.upToShare)
                ? { ...band, upToShare: firstBand }
                : band,
            ),
          }),
        },
        terms: book.terms.map((terms) =>
          terms.kind === 'flat' && terms.capHours !== undefined ? { ...terms, capHours } : terms,
        ),
        ...((book.freeAllowances !== undefined || pools.length > 0) && {
          freeAllowances: [
            ...(book.freeAllowances ?? []).map((allowance) => ({
              ...allowance,
              until,
              ...(allowance.hoursPerMonth === undefined
                ? { gibPerMonth: gib(room) }
                : { hoursPerMonth: hours }),
            })),
            ...pools.map((pool, i) => poolIn(book, pool, `pool-${i}`)),
          ],
        }),
      }),
    )
