import type { PriceBook } from '../core/catalogue/priceBook.ts'
import type { PriceBand, TermsPrice } from '../core/catalogue/regionPrices.ts'
import { ownValue } from '../core/ownValue.ts'
import { imageOf, NotSold, pricesOf, rowOf, sizeOf, termsOf } from './catalogueFacts.ts'
import { licenceTime, termsTime, timeIn } from './counted.ts'
import type { MeterContext } from './MeterContext.ts'
import type { PracticeMachine } from './PracticeMachine.ts'
import { cutAt, ticksOf, type Stretch } from './stretches.ts'
import { FREE, number, ONE, per, priceOf, type Usage } from './usage.ts'

const HOUR = 3_600

/** Charged time under one rule: free, in a band of the rebate, or as it is. */
interface Slice {
  readonly stretches: readonly Stretch[]
  readonly share: Usage['share']
}

/** Machine time on its terms. */
export function computeUsage(machine: PracticeMachine, context: MeterContext): Usage[] {
  const { month, within, book } = context
  const { order } = machine
  const terms = termsOf(order, book)
  const time = termsTime(machine, within, book)
  const slices = slicesOf(machine, time, context)
  const paid =
    terms.kind === 'commitment'
      ? usedAndUnused(machine, time, context).map(({ isUsed, ...slice }) => ({
          ...slice,
          commitment: { name: terms.name, isUsed },
        }))
      : slices
  const plain = offersOf(machine, context).flatMap(({ from, to, offer }) => {
    return paid.flatMap(({ stretches, ...slice }) => {
      const own = clip(stretches, from, to)
      const usage = (
        meter: string,
        price: string | undefined,
        unit: string,
        perTick: Usage['perTick'],
      ): Usage[] =>
        price === undefined
          ? []
          : [{ ...common(machine, context), ...slice, meter, price, unit, perTick, stretches: own }]
      const { vcpu, cores, memoryGiB } = sizeOf(order, book)
      const each = (count: number): Usage['perTick'] => per(HOUR, number(count))
      return [
        ...usage('machine', offer.perSecond, 'Seconds', ONE),
        ...usage('machine', offer.perHour, 'Hours', each(1)),
        ...usage('machine', offer.perMonth, 'Months', per(month.to - month.from)),
        ...usage('machine vCPU', offer.perVcpuHour, 'vCPU-Hours', each(vcpu)),
        ...usage('machine cores', offer.perCoreHour, 'Core-Hours', each(cores ?? vcpu)),
        ...usage('machine memory', offer.perGiBHour, 'GiB-Hours', each(memoryGiB)),
      ]
    })
  })
  const offer = offerOf(machine, book)
  return [
    ...plain,
    ...(terms.kind === 'commitment'
      ? committedBands(machine, time, offer.perHourBands, context)
      : slices.flatMap((slice) => bandedHours(machine, slice, offer.perHourBands, context))),
    ...(terms.kind === 'commitment' && offer.upFront !== undefined
      ? [upFront(machine, time, offer.upFront, terms.months, context)]
      : []),
  ]
}

const common = (
  { order }: PracticeMachine,
  { book }: MeterContext,
): Pick<Usage, 'service' | 'part' | 'details' | 'pricing'> => {
  const size = sizeOf(order, book)
  const { kind } = termsOf(order, book)
  return {
    service: 'machines',
    part: '',
    pricing: kind === 'commitment' ? 'Committed' : kind === 'spot' ? 'Dynamic' : 'Standard',
    details: {
      InstanceType: size.id,
      InstanceSeries: size.family,
      CoreCount: size.vcpu,
      MemorySize: size.memoryGiB,
      OperatingSystem: imageOf(order, book).name,
      x_Terms: order.terms,
    },
  }
}

/** The price of its size on its terms, by the book of the time. */
function offerOf({ order }: PracticeMachine, book: PriceBook): TermsPrice {
  const price = ownValue(pricesOf(order, book).sizes, order.size)
  const terms = termsOf(order, book)
  const offer = terms.kind === 'on-demand' ? price : ownValue(price?.terms, terms.id)
  if (!offer) throw new NotSold('size', order.size)
  return offer
}

interface OfferTime {
  readonly from: number
  readonly to: number
  readonly offer: TermsPrice
}

/** What its size costs from when to when; a book that changes other prices changes nothing here. */
function offersOf(machine: PracticeMachine, { prices }: MeterContext): OfferTime[] {
  const found: OfferTime[] = []
  for (const { from, to, book } of prices) {
    const offer = offerOf(machine, book)
    const last = found.at(-1)
    if (last?.offer === offer && last.to === from) found[found.length - 1] = { ...last, to }
    else found.push({ from, to, offer })
  }
  return found
}

const clip = (stretches: readonly Stretch[], from: number, to: number): Stretch[] =>
  stretches.flatMap((stretch) => {
    if (stretch.from === stretch.to) return stretch.from > from && stretch.from <= to ? [stretch] : []
    const [begins, ends] = [Math.max(stretch.from, from), Math.min(stretch.to, to)]
    if (ends <= begins) return []
    const isWhole = begins === stretch.from && ends === stretch.to
    const each = stretch.ticks / (stretch.to - stretch.from)
    return [isWhole ? stretch : { from: begins, to: ends, ticks: each * (ends - begins) }]
  })

function slicesOf(
  { order }: PracticeMachine,
  time: readonly Stretch[],
  { book, month, free }: MeterContext,
): Slice[] {
  const terms = termsOf(order, book)
  if (terms.kind === 'flat' && terms.capHours !== undefined) {
    const [paid, beyond] = cutAt(time, terms.capHours * HOUR)
    return [
      { stretches: paid, share: ONE },
      { stretches: beyond, share: FREE },
    ]
  }
  if (terms.kind !== 'on-demand') return [{ stretches: time, share: ONE }]
  const [covered, rest] = cutAt(time, free.get(order.name) ?? 0)
  const slices: Slice[] = [{ stretches: covered, share: FREE }]
  let [left, begins] = [rest, 0]
  const rebate = book.billing.longRunRebate ?? [{ upToShare: '1', rateShare: '1' }]
  for (const [i, { upToShare, rateShare }] of rebate.entries()) {
    const { n, d } = priceOf(upToShare)
    const ends = Number((n * BigInt(month.to - month.from)) / d)
    const [own, beyond] = i === rebate.length - 1 ? [left, []] : cutAt(left, ends - begins)
    slices.push({ stretches: own, share: priceOf(rateShare) })
    left = beyond
    begins = ends
  }
  return slices
}

/** A commitment is charged whether the machine runs or not. */
function usedAndUnused(
  machine: PracticeMachine,
  time: readonly Stretch[],
  { within }: MeterContext,
): (Slice & { readonly isUsed: boolean })[] {
  const used = timeIn(machine, within, (state) => state === 'running')
  const unused = timeIn(machine, within, (state) => state !== 'running')
  return time.length === 0
    ? []
    : [
        { stretches: used, share: ONE, isUsed: true },
        { stretches: unused, share: ONE, isUsed: false },
      ]
}

type Bands = readonly PriceBand[] | undefined

/** Bands of the charged hours of a machine’s month; of what is free, none. */
function bandedHours(
  machine: PracticeMachine,
  { stretches, share }: Slice,
  bands: Bands,
  context: MeterContext,
): Usage[] {
  let left: readonly Stretch[] = stretches
  let begins = 0
  return (bands ?? []).map(({ upTo, price }) => {
    const [own, beyond] = upTo === undefined ? [left, []] : cutAt(left, (upTo - begins) * HOUR)
    left = beyond
    begins = upTo ?? begins
    return {
      ...common(machine, context),
      meter: 'machine',
      price,
      unit: 'Hours',
      perTick: per(HOUR),
      stretches: own,
      share,
    }
  })
}

/** Of a commitment each second costs its part of the whole month’s hours in their bands. */
function committedBands(
  machine: PracticeMachine,
  time: readonly Stretch[],
  bands: Bands,
  context: MeterContext,
): Usage[] {
  const { month } = context
  const length = month.to - month.from
  let begins = 0
  return (bands ?? []).flatMap(({ upTo, price }): Usage[] => {
    const ends = Math.min(length, upTo === undefined ? length : upTo * HOUR)
    const inBand = ends - begins
    begins = ends
    if (inBand <= 0) return []
    const perTick = per(HOUR * length, number(inBand))
    return [
      {
        ...common(machine, context),
        meter: 'machine',
        price,
        unit: 'Hours',
        perTick,
        stretches: time,
        share: ONE,
      },
    ]
  })
}

const upFront = (
  machine: PracticeMachine,
  time: readonly Stretch[],
  price: string,
  months: number,
  context: MeterContext,
): Usage => ({
  ...common(machine, context),
  meter: 'commitment paid up front',
  price,
  unit: 'Terms',
  perTick: per((context.month.to - context.month.from) * months),
  stretches: time,
  share: ONE,
  isPaidAhead: true,
})

/** Licence and subscription of the image: at the size’s own price for them, or for each vCPU. */
export function licenceUsage(machine: PracticeMachine, context: MeterContext): Usage[] {
  const { book, within, month } = context
  const { order } = machine
  const { licence, subscription } = imageOf(order, book)
  return [licence, subscription].flatMap((id): Usage[] => {
    const known = book.licences.find((each) => each.id === id)
    const isOwn = order.ownLicence === true && known?.ownLicence === true && id !== subscription
    if (!known || id === undefined || isOwn) return []
    const price = ownValue(pricesOf(order, book).sizes, order.size)
    const own = ownValue(ownValue(price?.terms, order.terms)?.licences, id) ?? ownValue(price?.licences, id)
    const vcpu = Math.max(sizeOf(order, book).vcpu, known.leastVcpu)
    const usage = (text: string, unit: string, perTick: Usage['perTick']): Usage => ({
      ...common(machine, context),
      meter: 'licence',
      price: text,
      unit,
      perTick,
      stretches: licenceTime(machine, within, book),
      share: ONE,
    })
    if (own?.perSecond !== undefined) return [usage(own.perSecond, 'Seconds', ONE)]
    if (own?.perHour !== undefined) return [usage(own.perHour, 'Hours', per(HOUR))]
    if (own?.perMonth !== undefined) return [usage(own.perMonth, 'Months', per(month.to - month.from))]
    if (known.perVcpuHour === undefined) throw new NotSold('licence', id)
    return [usage(known.perVcpuHour, 'vCPU-Hours', per(HOUR, number(vcpu)))]
  })
}

/** Memory that is kept while the machine is off. */
export function memoryUsage(machine: PracticeMachine, context: MeterContext): Usage[] {
  const { book, within, month } = context
  const stretches = timeIn(machine, within, (state) => rowOf(state, book).memoryImage)
  const price = pricesOf(machine.order, book).memoryImagePerGiBMonth
  if (price === undefined || ticksOf(stretches) === 0) return []
  const perTick = per(month.to - month.from, number(sizeOf(machine.order, book).memoryGiB))
  return [
    {
      service: 'disks',
      part: '',
      meter: 'memory kept',
      price,
      unit: 'GiB-Months',
      perTick,
      stretches,
      share: ONE,
    },
  ]
}
