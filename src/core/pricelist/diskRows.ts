import { ownValue } from '../ownValue.ts'
import type { DiskKind, PriceBook } from '../catalogue/priceBook.ts'
import type { DiskPrice } from '../catalogue/regionPrices.ts'
import { confirmed } from '../manner/billingAnswers.ts'
import type { GiB } from '../quantity/units.ts'
import { idOf } from './idOf.ts'
import { mapRegions, without } from './mapRegions.ts'
import { ANY_ROOM, UNPRICED_DISK } from './newBook.ts'

/** A kind of disk as a row of a book's grid; a kind that is sold by steps has a row for each. */
export interface DiskRow {
  readonly name: string
  /** Decimal text: for a GiB and month, or for a whole disk of `wholeGiB` and month. */
  readonly price: string
  /** Room of a disk that is sold whole; by the GiB where absent. */
  readonly wholeGiB?: GiB
}

/** Which row: a kind, and which of its steps. */
export interface DiskRowAt {
  readonly kind: string
  readonly wholeGiB?: GiB
}

/** The rows of a place, as a person reads them; kinds that come with the size, or are not sold there, are left out. */
export const diskRows = (book: PriceBook, region: string): (DiskRow & { readonly at: DiskRowAt })[] =>
  book.diskKinds.flatMap(({ id, name, room }) => {
    const price = ownValue(ownValue(book.prices, region)?.disks, id)
    if (!price || room.by === 'size' || (id === UNPRICED_DISK.id && isUnpriced(book))) return []
    if (room.by === 'gib')
      return [
        { at: { kind: id }, name, price: price.perGiBMonth ?? price.perGiBMonthBands?.[0]!.price ?? '' },
      ]
    return room.stepsGiB.map((wholeGiB) => ({
      at: { kind: id, wholeGiB },
      name,
      wholeGiB,
      price: ownValue(price.perMonthByStep, String(wholeGiB)) ?? '',
    }))
  })

/**
 * A row put in the book, or changed. What is sold whole under a name that a kind by steps has becomes a step of it; the
 * kind that stands for any gives way to the first that is priced.
 */
export function putDisk(book: PriceBook, at: DiskRowAt | undefined, row: DiskRow, region: string): PriceBook {
  const cleared = at ? dropDisk(book, at, true) : book
  const { wholeGiB, name } = row
  const by = wholeGiB === undefined ? 'gib' : 'step'
  const own =
    ownKind(book, at, row) ?? cleared.diskKinds.find((kind) => kind.name === name && kind.room.by === by)
  const kindId = own?.id ?? idOf(name, new Set(cleared.diskKinds.map(({ id }) => id)), 'disk')
  const steps = own && cleared.diskKinds.includes(own) && own.room.by === 'step' ? own.room.stepsGiB : []
  const kind: DiskKind = {
    ...(own ?? { id: kindId, boots: true }),
    name,
    room: wholeGiB === undefined ? ANY_ROOM : { by: 'step', stepsGiB: inOrder([...steps, wholeGiB]) },
  }
  const prices = mapRegions(cleared, (there, id) => {
    const before = ownValue(ownValue(book.prices, id)?.disks, kindId)
    return id === region || before
      ? { ...there, disks: { ...there.disks, [kindId]: withPrice(before, row, id === region) } }
      : there
  })
  return confirmed(
    { ...cleared, diskKinds: placed(cleared.diskKinds, kind, book.diskKinds), prices },
    'disk-price',
  )
}

/** The kind that a row is of: the one that is changed, or the one that stands for any. */
function ownKind(book: PriceBook, at: DiskRowAt | undefined, { wholeGiB }: DiskRow): DiskKind | undefined {
  const kind = at
    ? book.diskKinds.find(({ id }) => id === at.kind)
    : isUnpriced(book)
      ? book.diskKinds[0]
      : undefined
  // One step of several that goes another way is a kind of its own.
  const isOneOfMany = kind?.room.by === 'step' && kind.room.stepsGiB.length > 1
  return isOneOfMany && wholeGiB === undefined ? undefined : kind
}

function withPrice(before: DiskPrice | undefined, { wholeGiB, price }: DiskRow, isHere: boolean): DiskPrice {
  if (wholeGiB === undefined) {
    // Bands stay until another price than that of the first is typed here.
    if (before?.perGiBMonthBands && (!isHere || price === before.perGiBMonthBands[0]!.price)) return before
    const { perMonthByStep, perGiBMonthBands, ...others } = before ?? {}
    return { ...others, perGiBMonth: isHere ? price : (before?.perGiBMonth ?? price) }
  }
  const { perGiBMonth, perGiBMonthBands, ...others } = before ?? {}
  const step = String(wholeGiB)
  const own = isHere ? price : (ownValue(before?.perMonthByStep, step) ?? price)
  return { ...others, perMonthByStep: { ...before?.perMonthByStep, [step]: own } }
}

/** In the place that the kind had, or at the end. */
function placed(kinds: readonly DiskKind[], kind: DiskKind, before: readonly DiskKind[]): DiskKind[] {
  const others = kinds.filter(({ id }) => id !== kind.id)
  const at = before.findIndex(({ id }) => id === kind.id)
  return at < 0 ? [...others, kind] : [...others.slice(0, at), kind, ...others.slice(at)]
}

const inOrder = (steps: readonly GiB[]): GiB[] => [...new Set(steps)].sort((a, b) => a - b)

/** Without a row; without the last one, what a disk costs is not known again. With `mayBeEmpty` another one follows. */
export function dropDisk(book: PriceBook, { kind: id, wholeGiB }: DiskRowAt, mayBeEmpty = false): PriceBook {
  const own = book.diskKinds.find((kind) => kind.id === id)
  if (own?.room.by === 'step' && own.room.stepsGiB.length > 1 && wholeGiB !== undefined) {
    const stepsGiB = own.room.stepsGiB.filter((step) => step !== wholeGiB)
    const diskKinds = book.diskKinds.map((kind): DiskKind =>
      kind === own ? { ...own, room: { by: 'step', stepsGiB } } : kind,
    )
    const prices = mapRegions(book, (there) => {
      const price = ownValue(there.disks, id)
      if (!price?.perMonthByStep) return there
      const perMonthByStep = without(price.perMonthByStep, String(wholeGiB))
      return { ...there, disks: { ...there.disks, [id]: { ...price, perMonthByStep } } }
    })
    return { ...book, diskKinds, prices }
  }
  const left = book.diskKinds.filter((kind) => kind.id !== id)
  if (left.length > 0 || mayBeEmpty) {
    const prices = mapRegions(book, (there) => ({ ...there, disks: without(there.disks, id) }))
    return { ...book, diskKinds: left, prices }
  }
  const prices = mapRegions(book, (there) => ({
    ...there,
    disks: { [UNPRICED_DISK.id]: { perGiBMonth: '0' } },
  }))
  const assumed = [...(book.assumed ?? []), { about: 'disk-price', from: 'not-said' }]
  return { ...book, diskKinds: [UNPRICED_DISK], prices, assumed }
}

/** Whether nobody has said yet what a disk costs. */
export const isUnpriced = ({ assumed = [] }: PriceBook): boolean =>
  assumed.some(({ about }) => about === 'disk-price')
