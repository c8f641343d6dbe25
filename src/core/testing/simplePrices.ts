import Fraction from 'fraction.js'
import {
  disksOf,
  hourScale,
  imageOf,
  kindOf,
  roomOf,
  sizeOf,
  termsOf,
  usedOf,
  type Clocks,
  type SimpleInputs,
} from './simpleClocks.ts'

/** What the clocks have counted, at the book's prices. */
export function priceOf(clocks: Clocks, inputs: SimpleInputs, all: readonly Clocks[]): Fraction {
  const parts = timePrice(clocks, inputs)
    .add(diskPrice(clocks, inputs))
    .add(restorePrice(clocks, inputs))
    .add(operationsPrice(clocks, inputs))
    .add(addressPrice(clocks, inputs))
    .add(trafficPrice(clocks, inputs, all))
  const least = new Fraction(inputs.book.billing.minimumPerMachineMonth ?? '0')
  return clocks.counted.exists > 0 && parts.compare(least) < 0 ? least : parts
}

/** Machine time and licences, for what has been counted so far. */
export const timePrice = (clocks: Clocks, inputs: SimpleInputs): Fraction =>
  computePrice(clocks, inputs).add(licencePrice(clocks, inputs))

/** What is expected to happen while it runs. */
export const expectedPrice = (clocks: Clocks, inputs: SimpleInputs, all: readonly Clocks[]): Fraction =>
  operationsPrice(clocks, inputs).add(trafficPrice(clocks, inputs, all))

/** What is charged whatever it does. */
export const keptPrice = (clocks: Clocks, inputs: SimpleInputs): Fraction =>
  diskPrice(clocks, inputs).add(addressPrice(clocks, inputs))

/** Expected operations are those of a month in which the machine runs. */
const operationsPrice = ({ machine, counted }: Clocks, { book }: SimpleInputs): Fraction =>
  disksOf(machine).reduce((sum, disk) => {
    const price = book.prices[machine.region]!.disks[disk.kind]?.perTenThousandOperations ?? '0'
    return sum.add(
      new Fraction(counted.running > 0 ? price : '0').mul(disk.operationsPerMonth ?? 0).div(10_000),
    )
  }, new Fraction(0))

/** Hours as the reading has them. */
const hours = (seconds: number, inputs: SimpleInputs): Fraction => {
  const { second, period } = hourScale(inputs)
  return new Fraction(seconds).mul(second).div(period).div(3_600)
}

function computePrice(clocks: Clocks, inputs: SimpleInputs): Fraction {
  const { machine } = clocks
  const { book, month } = inputs
  const size = sizeOf(machine, book)
  const terms = termsOf(machine, book)
  const monthLength = month.to - month.from
  const price = book.prices[machine.region]!.sizes[machine.size]!
  const offer: { [field: string]: unknown } =
    terms.kind === 'on-demand' ? { ...price } : { ...price.terms![terms.id] }
  const rate = (field: string): Fraction => new Fraction((offer[field] as string | undefined) ?? '0')
  const perHour = rate('perHour')
    .add(rate('perSecond').mul(3_600))
    .add(rate('perVcpuHour').mul(size.vcpu))
    .add(rate('perCoreHour').mul(size.cores ?? size.vcpu))
    .add(rate('perGiBHour').mul(size.memoryGiB))
  const monthHours = hours(monthLength, inputs)
  const cost = (time: Fraction): Fraction =>
    perHour
      .mul(time)
      .add(rate('perMonth').mul(time).div(monthHours))
      .add(bandedPrice(offer.perHourBands as PriceBands, time))
  if (terms.kind === 'commitment') {
    const there = new Fraction(clocks.counted.there).div(monthLength)
    return cost(monthHours).add(rate('upFront').div(terms.months)).mul(there)
  }
  const total = hours(clocks.counted[terms.kind === 'flat' ? 'flat' : 'compute'], inputs)
  if (terms.kind === 'flat')
    return cost(
      terms.capHours !== undefined && total.compare(terms.capHours) > 0
        ? new Fraction(terms.capHours)
        : total,
    )
  if (terms.kind === 'spot') return cost(total)
  const paid = total.sub(new Fraction(clocks.free.compute).div(hourScale(inputs).period).div(3_600))
  let banded = new Fraction(0)
  let begins = new Fraction(0)
  for (const [i, band] of (book.billing.longRunRebate ?? [{ upToShare: '1', rateShare: '1' }]).entries()) {
    const last = i === (book.billing.longRunRebate?.length ?? 1) - 1
    const wholeSeconds = new Fraction(band.upToShare).mul(monthLength).floor()
    const ends = last ? paid : hours(Number(wholeSeconds.valueOf()), inputs)
    const inBand = (paid.compare(ends) < 0 ? paid : ends).sub(begins)
    if (inBand.compare(0) > 0) banded = banded.add(cost(inBand).mul(band.rateShare))
    begins = ends
  }
  return banded
}

type PriceBands = readonly { readonly upTo?: number; readonly price: string }[] | undefined

/** Each part of a quantity at the price of its band. */
function bandedPrice(bands: PriceBands, quantity: Fraction): Fraction {
  let total = new Fraction(0)
  let begins = new Fraction(0)
  for (const { upTo, price } of bands ?? []) {
    const ends = upTo !== undefined && quantity.compare(upTo) > 0 ? new Fraction(upTo) : quantity
    if (ends.compare(begins) > 0) total = total.add(new Fraction(price).mul(ends.sub(begins)))
    begins = upTo === undefined ? ends : new Fraction(upTo)
  }
  return total
}

function licencePrice({ machine, counted }: Clocks, inputs: SimpleInputs): Fraction {
  const { book } = inputs
  const { licence, subscription } = imageOf(machine, book)
  let total = new Fraction(0)
  for (const id of [licence, subscription]) {
    const found = book.licences.find((each) => each.id === id)
    if (!found || (machine.ownLicence && found.ownLicence && id !== subscription)) continue
    const vcpu = Math.max(sizeOf(machine, book).vcpu, found.leastVcpu)
    const time = hours(counted.licence, inputs)
    const price = book.prices[machine.region]!.sizes[machine.size]!
    const own = price.terms?.[machine.terms]?.licences?.[id!] ?? price.licences?.[id!]
    const perHour = own
      ? new Fraction(own.perHour ?? '0').add(new Fraction(own.perSecond ?? '0').mul(3_600))
      : new Fraction(found.perVcpuHour!).mul(vcpu)
    const wholeMonth = hours(inputs.month.to - inputs.month.from, inputs)
    total = total.add(perHour.mul(time)).add(new Fraction(own?.perMonth ?? '0').mul(time).div(wholeMonth))
  }
  return total
}

function diskPrice({ machine, counted, free }: Clocks, { book, month }: SimpleInputs): Fraction {
  const prices = book.prices[machine.region]!
  const monthLength = month.to - month.from
  let total = new Fraction(prices.memoryImagePerGiBMonth ?? '0')
    .mul(sizeOf(machine, book).memoryGiB)
    .mul(counted.memory)
    .div(monthLength)
  disksOf(machine).forEach((disk, i) => {
    const { room } = kindOf(disk, book)
    const price = prices.disks[disk.kind]
    const charged = roomOf(disk, machine, book)
    const time = new Fraction(disk.goes ? counted.exists : counted.there).div(monthLength)
    const paid = time.sub(new Fraction(free.disks[i]!).div(monthLength).div(Math.round(charged * 1_024)))
    const roomPrice =
      room.by === 'step'
        ? price!.perMonthByStep![charged]!
        : room.by === 'gib'
          ? (price!.perGiBMonth ?? '0')
          : '0'
    const units = room.by === 'gib' ? new Fraction(charged * 1_024, 1_024) : new Fraction(1)
    total = total
      .add(new Fraction(roomPrice).mul(units).mul(paid))
      .add(room.by === 'gib' ? bandedPrice(price!.perGiBMonthBands, units).mul(paid) : 0)
      .add(new Fraction(price?.perExtraIopsMonth ?? '0').mul(disk.extraIops ?? 0).mul(time))
      .add(
        new Fraction(price?.perExtraMegabytesPerSecondMonth ?? '0')
          .mul(disk.extraMegabytesPerSecond ?? 0)
          .mul(time),
      )
    if (!disk.snapshots?.kept) return
    const used = usedOf(machine, disk, i, book)
    const held = new Fraction(used * 1_024, 1_024)
      .mul(100 + (disk.snapshots.kept - 1) * disk.snapshots.changedPercent)
      .div(100)
    total = total.add(new Fraction(prices.snapshotPerGiBMonth!).mul(held).mul(counted.there).div(monthLength))
  })
  return total
}

/** What is brought back from snapshots each time that it is made anew. */
const restorePrice = ({ machine, creations }: Clocks, { book }: SimpleInputs): Fraction =>
  disksOf(machine).reduce(
    (sum, disk, i) =>
      disk.goes && disk.snapshots?.kept
        ? sum.add(
            new Fraction(book.prices[machine.region]!.restorePerGiB ?? '0')
              .mul(usedOf(machine, disk, i, book))
              .mul(creations),
          )
        : sum,
    new Fraction(0),
  )

function addressPrice({ machine, address }: Clocks, inputs: SimpleInputs): Fraction {
  if (machine.address === 'none') return new Fraction(0)
  const rates = inputs.book.prices[machine.region]!.addresses[machine.address]!
  const unattached = machine.addressGoes || machine.address === 'changing' ? 0 : address.unattached
  return new Fraction(rates.attachedOn)
    .mul(hours(address.attachedOn, inputs))
    .add(new Fraction(rates.attachedOff).mul(hours(address.attachedOff, inputs)))
    .add(new Fraction(rates.unattached ?? '0').mul(hours(unattached, inputs)))
}

function trafficPrice(own: Clocks, { book }: SimpleInputs, all: readonly Clocks[]): Fraction {
  const { machine } = own
  const payable = ({ machine: each, counted }: Clocks): number =>
    counted.running === 0
      ? 0
      : Math.max(0, (each.trafficOutGiB ?? 0) - (sizeOf(each, book).includedTrafficGiB ?? 0))
  const together = all
    .filter((other) => other.machine.region === machine.region)
    .reduce((sum, other) => sum + payable(other), 0)
  if (payable(own) === 0) return new Fraction(0)
  let total = new Fraction(0)
  let begins = new Fraction(0)
  for (const { upToGiB, perGiB } of book.prices[machine.region]!.trafficOut!) {
    const all = new Fraction(together)
    const ends =
      upToGiB !== undefined && all.compare(String(upToGiB)) > 0 ? new Fraction(String(upToGiB)) : all
    if (ends.compare(begins) > 0) total = total.add(new Fraction(perGiB).mul(ends.sub(begins)))
    begins = upToGiB === undefined ? ends : new Fraction(String(upToGiB))
  }
  return total.mul(payable(own)).div(together)
}
