import type { BillLine } from '../bill/billLine.ts'
import type { Assumption, DiskKind, Image, Licence, PriceBook, Size } from '../catalogue/priceBook.ts'
import type { RegionPrices, SizePrice, TermsPrice } from '../catalogue/regionPrices.ts'
import type { YearMonth } from '../calendar/yearMonth.ts'
import { withManner } from '../manner/manners.ts'
import { idOf } from '../pricelist/idOf.ts'
import { measured } from '../reconcile/measured.ts'
import { meterClass, type MeterClass } from '../reconcile/meterClass.ts'
import { toDecimal, trimDecimal } from '../quantity/decimal.ts'
import { add, divide, isZero, multiply, ZERO, type Exact } from '../quantity/exact.ts'
import { gib, type Seconds } from '../quantity/units.ts'
import type { BilledMachine } from './billedMachines.ts'

const PRICE_DECIMALS = 9
const AN_HOUR: Exact = { n: 3_600n, d: 1n }

type Writable<Of> = { -readonly [Field in keyof Of]: Of[Field] }

interface RegionInHand {
  readonly zones: Set<string>
  readonly sizes: Map<string, SizePrice>
  readonly disks: Map<string, Paid>
  address: Paid
  traffic: Paid
}

/** What so many units came to: several machines pay for the same. */
interface Paid {
  readonly cost: Exact
  readonly units: Exact
}

const UNPAID: Paid = { cost: ZERO, units: ZERO }

const paidMore = (paid: Paid | undefined, lines: readonly BillLine[], units: Exact): Paid => ({
  cost: add(paid?.cost ?? ZERO, costOf(lines)),
  units: add(paid?.units ?? ZERO, units),
})

const priceOf = ({ cost, units }: Paid): string | undefined =>
  isZero(units) ? undefined : priceText(divide(cost, units))

export interface BilledDisk {
  readonly kind: string
  readonly roomGiB: number
}

/** How a machine stands in the book of its bill. */
export interface InBook {
  readonly region: string
  readonly zone: string
  readonly size: string
  readonly image: string
  readonly terms: string
  readonly disks: readonly BilledDisk[]
  readonly hasAddress: boolean
  readonly trafficGiB: number
}

/**
 * A price book of nothing but what is on a bill: its sizes at what an hour of them cost, its disks at what a GiB cost. How
 * the provider charges what is off, and what a bill does not say of a size, is assumed and marked.
 */
export class BilledBook {
  private readonly regions = new Map<string, RegionInHand>()
  private readonly sizes = new Map<string, Writable<Size>>()
  private readonly kinds = new Map<string, DiskKind>()
  private readonly images = new Map<string, Writable<Image>>()
  private readonly licences = new Map<string, Licence>()
  private readonly assumed = new Map<string, Assumption>()
  private readonly ids = new Map<string, string>()

  constructor(
    readonly provider: { readonly id: string; readonly name: string },
    readonly currency: string,
    private readonly month: YearMonth,
    private readonly length: Seconds,
  ) {}

  /** Takes what a machine cost into the book. */
  add({ lines, details, resources }: BilledMachine): InBook {
    const [first] = lines
    const region = this.idFor('region', first?.region || 'region')
    const found = this.regionOf(region)
    const zone = this.idFor('zone', first?.zone || 'a')
    found.zones.add(zone)
    const size = this.sizeOf(details, first)
    const hours = this.hours(lines)
    const time = costOf(of(lines, 'machine-time'))
    const terms = this.termsOf(lines)
    const perHour = isZero(hours) ? undefined : priceText(divide(time, hours))
    const image = this.imageOf(details, lines, hours, found, size)
    if (perHour !== undefined) this.setPrice(found, size, terms, perHour)
    const address = of(lines, 'address')
    const addressHours = sumOf(address.map((line) => this.unitsIn(line, 'time'))).amount
    found.address = paidMore(found.address, address, divide(addressHours, AN_HOUR))
    const traffic = of(lines, 'traffic')
    const sent = sumOf(traffic.map((line) => this.unitsIn(line, 'GiB'))).amount
    found.traffic = paidMore(found.traffic, traffic, sent)
    return {
      region,
      zone,
      size,
      image,
      terms,
      disks: this.disksOf(lines, resources, found),
      hasAddress: address.length > 0,
      trafficGiB: round(sent),
    }
  }

  private idFor(what: string, name: string): string {
    const key = `${what}\n${name}`
    const known = this.ids.get(key)
    if (known !== undefined) return known
    const taken = new Set([...this.ids].filter(([each]) => each.startsWith(`${what}\n`)).map(([, id]) => id))
    const id = idOf(name, taken, what)
    this.ids.set(key, id)
    return id
  }

  private regionOf(id: string): RegionInHand {
    let found = this.regions.get(id)
    if (!found) {
      found = { zones: new Set(), sizes: new Map(), disks: new Map(), address: UNPAID, traffic: UNPAID }
      this.regions.set(id, found)
    }
    return found
  }

  private sizeOf(details: BilledMachine['details'], line: BillLine | undefined): string {
    const name = textOf(details.get('InstanceType')) ?? (line?.sku || line?.meter || 'size')
    const id = this.idFor('size', name)
    if (this.sizes.has(id)) return id
    const [vcpu, memory] = [aboveZero(details.get('CoreCount')), aboveZero(details.get('MemorySize'))]
    if (vcpu === undefined) this.assume('list-vcpu')
    if (memory === undefined) this.assume('list-memory')
    this.sizes.set(id, {
      id,
      name: name.slice(0, 60),
      family: 'billed',
      vcpu: Math.max(1, Math.round(vcpu ?? 1)),
      memoryGiB: gib(memory ?? 1),
    })
    return id
  }

  /** Hours that were paid for, used or not. */
  private hours(lines: readonly BillLine[]): Exact {
    const time = of(lines, 'machine-time')
    const byUnit = new Map<string, Exact>()
    for (const line of time) {
      const { unit, amount } = measured(line, this.length)
      const own =
        unit === 'time'
          ? amount
          : line.consumedUnit === 'Hours'
            ? multiply(line.consumed, AN_HOUR)
            : undefined
      if (own) byUnit.set(line.pricingUnit, add(byUnit.get(line.pricingUnit) ?? ZERO, own))
    }
    const longest = [...byUnit.values()].reduce((most, each) => (more(each, most) ? each : most), ZERO)
    return divide(longest, AN_HOUR)
  }

  private termsOf(lines: readonly BillLine[]): string {
    const pricings = new Set(of(lines, 'machine-time').map(({ pricing }) => pricing))
    if (pricings.has('Committed')) return 'commitment'
    return pricings.has('Dynamic') && !pricings.has('Standard') ? 'spot' : 'on-demand'
  }

  private imageOf(
    details: BilledMachine['details'],
    lines: readonly BillLine[],
    hours: Exact,
    region: RegionInHand,
    size: string,
  ): string {
    const name = textOf(details.get('OperatingSystem')) ?? 'As billed'
    const id = this.idFor('image', name)
    const licence = of(lines, 'licence')
    const image: Writable<Image> = this.images.get(id) ?? { id, name: name.slice(0, 60) }
    this.images.set(id, image)
    if (licence.length === 0 || isZero(hours)) return id
    const licenceId = this.idFor('licence', `${name} licence`)
    image.licence = licenceId
    this.licences.set(licenceId, {
      id: licenceId,
      name: `Licence of ${name}`.slice(0, 60),
      leastVcpu: 1,
      ownLicence: false,
    })
    const perHour = priceText(divide(costOf(licence), hours))
    const price = region.sizes.get(size)
    region.sizes.set(size, { ...price, licences: { ...price?.licences, [licenceId]: { perHour } } })
    return id
  }

  private setPrice(region: RegionInHand, size: string, terms: string, perHour: string): void {
    const price = region.sizes.get(size)
    const offer: TermsPrice = { perHour }
    region.sizes.set(
      size,
      terms === 'on-demand'
        ? { ...price, perHour }
        : { ...price, terms: { ...price?.terms, [terms]: offer } },
    )
  }

  /** Each resource is a disk; how much room it has is what it says, or what it was charged for. */
  private disksOf(
    lines: readonly BillLine[],
    resources: BilledMachine['resources'],
    region: RegionInHand,
  ): BilledDisk[] {
    const byResource = new Map<string, BillLine[]>()
    for (const line of of(lines, 'disk')) {
      byResource.set(line.resourceId, [...(byResource.get(line.resourceId) ?? []), line])
    }
    return [...byResource].flatMap(([id, own]): BilledDisk[] => {
      const details = resources.get(id)
      const said = aboveZero(details?.get('DiskSpace'))
      const name = textOf(details?.get('DiskType')) ?? (own[0]!.meter || 'disk')
      const months = sumOf(own.map((line) => this.unitsIn(line, 'GiB-time'))).amount
      const steps = sumOf(own.map((line) => this.unitsIn(line, 'time'))).amount
      const days = new Set(own.map(({ day }) => day)).size
      const inGiB = isZero(months) ? undefined : round(divide(months, { n: BigInt(days * 86_400), d: 1n }))
      if (inGiB === undefined && isZero(steps)) return []
      const room = Math.min(65_536, Math.max(1, said ?? inGiB ?? 32))
      const kind = this.idFor('kind', name)
      this.kinds.set(kind, {
        id: kind,
        name: name.slice(0, 60),
        room: { by: 'gib', leastGiB: gib(1), mostGiB: gib(65_536) },
        boots: true,
      })
      const time = isZero(months) ? steps : divide(months, { n: BigInt(Math.round(room * 1_024)), d: 1_024n })
      // GiB for the part of the month in which it was there.
      const units = multiply(divide(time, { n: BigInt(this.length), d: 1n }), {
        n: BigInt(Math.round(room * 1_024)),
        d: 1_024n,
      })
      if (said === undefined && inGiB === undefined) this.assume('list-room')
      region.disks.set(kind, paidMore(region.disks.get(kind), own, units))
      return [{ kind, roomGiB: room }]
    })
  }

  private unitsIn(line: BillLine, unit: string): { readonly amount: Exact } {
    const found = measured(line, this.length)
    return { amount: found.unit === unit ? found.amount : ZERO }
  }

  private assume(about: string): void {
    this.assumed.set(about, { about, from: 'list' })
  }

  /** The book; a disk kind stands in it in any case, so that machines whose bill has none can be planned. */
  book(): PriceBook {
    if (this.kinds.size === 0) {
      const kind = this.idFor('kind', 'disk')
      this.kinds.set(kind, {
        id: kind,
        name: 'disk',
        room: { by: 'gib', leastGiB: gib(1), mostGiB: gib(65_536) },
        boots: true,
      })
    }
    const [firstKind] = this.kinds.keys()
    const prices = [...this.regions].map(([id, region]): [string, RegionPrices] => [
      id,
      {
        sizes: Object.fromEntries(region.sizes),
        disks: Object.fromEntries(
          region.disks.size > 0
            ? [...region.disks].map(([kind, paid]) => [kind, { perGiBMonth: priceOf(paid) ?? '0' }])
            : [[firstKind!, { perGiBMonth: '0' }]],
        ),
        addresses: addressesAt(priceOf(region.address)),
        ...trafficAt(priceOf(region.traffic)),
      },
    ])
    const usedTerms = new Set(
      prices.flatMap(([, { sizes }]) =>
        Object.values(sizes).flatMap(({ terms }) => Object.keys(terms ?? {})),
      ),
    )
    const plain: PriceBook = {
      provider: this.provider,
      edition: `${this.month}-bill`,
      currency: this.currency,
      valid: { from: `${this.month}-01` },
      billingZone: 'Etc/UTC',
      billing: { minimumSeconds: 0, incrementSeconds: 1 },
      states: {
        running: { compute: true, licence: true, disks: true, address: 'attachedOn', memoryImage: false },
      },
      regions: [...this.regions].map(([id, { zones }]) => ({ id, name: id, zones: [...zones] })),
      families: [{ id: 'billed', name: 'As billed' }],
      sizes: [...this.sizes.values()],
      diskKinds: [...this.kinds.values()],
      licences: [...this.licences.values()],
      images: [...this.images.values()],
      terms: [
        { id: 'on-demand', name: 'On demand', kind: 'on-demand' },
        ...(usedTerms.has('spot')
          ? [{ id: 'spot', name: 'Spot', kind: 'spot' as const, interruption: 'not known' }]
          : []),
        ...(usedTerms.has('commitment')
          ? [
              {
                id: 'commitment',
                name: 'Commitment',
                kind: 'commitment' as const,
                months: 12,
                upFront: 'none' as const,
              },
            ]
          : []),
      ],
      prices: Object.fromEntries(prices),
      assumed: [...this.assumed.values()],
    }
    return withManner(plain, 'gives-back')
  }
}

/** A bill does not say what it would have cost in another use. */
const addressesAt = (price: string | undefined): RegionPrices['addresses'] =>
  price === undefined ? {} : { fixed: { attachedOn: price, attachedOff: price, unattached: price } }

const trafficAt = (price: string | undefined): Pick<RegionPrices, 'trafficOut'> =>
  price === undefined ? {} : { trafficOut: [{ perGiB: price }] }

const of = (lines: readonly BillLine[], meter: MeterClass): BillLine[] =>
  lines.filter((line) => meterClass(line) === meter)

const costOf = (lines: readonly BillLine[]): Exact =>
  lines.reduce((sum, { effective }) => add(sum, effective), ZERO)

const sumOf = (amounts: readonly { readonly amount: Exact }[]): { readonly amount: Exact } => ({
  amount: amounts.reduce((sum, { amount }) => add(sum, amount), ZERO),
})

const more = (a: Exact, b: Exact): boolean => a.n * b.d > b.n * a.d

const priceText = (price: Exact): string =>
  price.n <= 0n ? '0' : trimDecimal(toDecimal(price, PRICE_DECIMALS))

/** GiB to a quarter, which is as exact as room is said. */
const round = ({ n, d }: Exact): number => Number((n * 4n + d / 2n) / d) / 4

const textOf = (value: unknown): string | undefined =>
  typeof value === 'string' && value.trim() !== '' ? value.trim() : undefined

const aboveZero = (value: unknown): number | undefined =>
  typeof value === 'number' && value > 0 && value <= 1e6 ? value : undefined
