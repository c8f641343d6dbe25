import type { BillLine } from '../bill/billLine.ts'
import type { Assumption, DiskKind, Image, Licence, PriceBook, Size } from '../catalogue/priceBook.ts'
import { detailNumber, detailText } from '../bill/detail.ts'
import type { RegionPrices } from '../catalogue/regionPrices.ts'
import type { YearMonth } from '../calendar/yearMonth.ts'
import { withManner } from '../manner/manners.ts'
import { idOf } from '../pricelist/idOf.ts'
import { measured } from '../reconcile/measured.ts'
import { meterClass, type MeterClass } from '../reconcile/meterClass.ts'
import { add, divide, isZero, multiply, ZERO, type Exact } from '../quantity/exact.ts'
import { gib, type Seconds } from '../quantity/units.ts'
import { amountIn, billedDisks, quarters } from './billedDisks.ts'
import type { BilledMachine } from './billedMachines.ts'
import { sizePrices } from './sizePrices.ts'
import { addressesAt, paidMore, paidPrice, trafficAt, UNPAID, type Paid } from './paid.ts'

const LONGEST_NAME = 60
const MOST_ROOM = 65_536
const AN_HOUR: Exact = { n: 3_600n, d: 1n }

type Writable<Of> = { -readonly [Field in keyof Of]: Of[Field] }

interface RegionInHand {
  readonly zones: Set<string>
  /** By size and terms, and by size and licence. */
  readonly offers: Map<string, Paid>
  readonly licences: Map<string, Paid>
  readonly disks: Map<string, Paid>
  address: Paid
  traffic: Paid
}

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
  /** The first one is the system disk; a kind of its own where the bill has none. */
  readonly disks: readonly [BilledDisk, ...BilledDisk[]]
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
    const time = of(lines, 'machine-time')
    const terms = termsOf(time)
    if (terms === 'commitment') this.assume('list-of-terms')
    const image = this.imageOf(details, of(lines, 'licence'), hours, found, size)
    const offer = `${size}\n${terms}`
    found.offers.set(offer, paidMore(found.offers.get(offer), time, hours))
    const address = of(lines, 'address')
    const addressHours = divide(amountIn('time', address, this.length), AN_HOUR)
    found.address = paidMore(found.address, address, addressHours)
    const traffic = of(lines, 'traffic')
    const sent = amountIn('GiB', traffic, this.length)
    found.traffic = paidMore(found.traffic, traffic, sent)
    const [system, ...data] = this.disksOf(lines, resources, found)
    return {
      region,
      zone,
      size,
      image,
      terms,
      disks: [system ?? { kind: this.noDisk, roomGiB: 1 }, ...data],
      hasAddress: address.length > 0,
      trafficGiB: quarters(sent),
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
      found = {
        zones: new Set(),
        offers: new Map(),
        licences: new Map(),
        disks: new Map(),
        address: UNPAID,
        traffic: UNPAID,
      }
      this.regions.set(id, found)
    }
    return found
  }

  private sizeOf(details: BilledMachine['details'], line: BillLine | undefined): string {
    const name = detailText(details.get('InstanceType')) ?? (line?.sku || line?.meter || 'size')
    const id = this.idFor('size', name)
    if (this.sizes.has(id)) return id
    const [vcpu, memory] = [detailNumber(details.get('CoreCount')), detailNumber(details.get('MemorySize'))]
    if (vcpu === undefined) this.assume('list-vcpu')
    if (memory === undefined) this.assume('list-memory')
    this.sizes.set(id, {
      id,
      name: name.slice(0, LONGEST_NAME),
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

  private imageOf(
    details: BilledMachine['details'],
    licence: readonly BillLine[],
    hours: Exact,
    region: RegionInHand,
    size: string,
  ): string {
    const name = detailText(details.get('OperatingSystem')) ?? 'As billed'
    const id = this.idFor('image', name)
    const image: Writable<Image> = this.images.get(id) ?? { id, name: name.slice(0, LONGEST_NAME) }
    this.images.set(id, image)
    if (licence.length === 0 || isZero(hours)) return id
    const licenceId = this.idFor('licence', `${name} licence`)
    image.licence = licenceId
    this.licences.set(licenceId, {
      id: licenceId,
      name: `Licence of ${name}`.slice(0, LONGEST_NAME),
      leastVcpu: 1,
      ownLicence: false,
    })
    const key = `${size}\n${licenceId}`
    region.licences.set(key, paidMore(region.licences.get(key), licence, hours))
    return id
  }

  private disksOf(
    lines: readonly BillLine[],
    resources: BilledMachine['resources'],
    region: RegionInHand,
  ): BilledDisk[] {
    return billedDisks(of(lines, 'disk'), resources, this.length).map(
      ({ name, roomGiB, units, isSaid, own }) => {
        const kind = this.idFor('kind', name)
        this.kinds.set(kind, kindOf(kind, name))
        if (!isSaid) this.assume('list-of-diskroom')
        region.disks.set(kind, paidMore(region.disks.get(kind), own, units))
        return { kind, roomGiB }
      },
    )
  }

  private assume(about: string): void {
    this.assumed.set(about, { about, from: 'list' })
  }

  /** A kind for machines whose bill has no disk: it is known of none, and costs nothing. */
  private readonly noDisk = 'not-on-the-bill'

  book(): PriceBook {
    this.kinds.set(this.noDisk, kindOf(this.noDisk, 'No disk on the bill'))
    const prices = [...this.regions].map(([id, region]): [string, RegionPrices] => [
      id,
      {
        sizes: sizePrices(region),
        disks: Object.fromEntries([
          ...[...region.disks].map(([kind, paid]) => [kind, { perGiBMonth: paidPrice(paid) ?? '0' }]),
          [this.noDisk, { perGiBMonth: '0' }],
        ]),
        addresses: addressesAt(paidPrice(region.address)),
        ...trafficAt(paidPrice(region.traffic)),
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

const kindOf = (id: string, name: string): DiskKind => ({
  id,
  name: name.slice(0, LONGEST_NAME),
  room: { by: 'gib', leastGiB: gib(1), mostGiB: gib(MOST_ROOM) },
  boots: true,
})

function termsOf(time: readonly BillLine[]): string {
  const pricings = new Set(time.map(({ pricing }) => pricing))
  if (pricings.has('Committed')) return 'commitment'
  return pricings.has('Dynamic') && !pricings.has('Standard') ? 'spot' : 'on-demand'
}

const of = (lines: readonly BillLine[], meter: MeterClass): BillLine[] =>
  lines.filter((line) => meterClass(line) === meter)

const more = (a: Exact, b: Exact): boolean => a.n * b.d > b.n * a.d
