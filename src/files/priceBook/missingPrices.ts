import { ownValue } from '../../core/ownValue.ts'
import type { PriceBook, Terms } from '../../core/catalogue/priceBook.ts'
import type { HourBands, RegionPrices, SizeRateTexts, TermsPrice } from '../../core/catalogue/regionPrices.ts'
import type { FileIssue } from '../reading/fileIssue.ts'
import { badValue, missingPrice, type Path } from './bookIssue.ts'

/** Gaps: sizes and rooms that are sold and have no price, states and terms whose prices are not there. */
export function* missingPrices(book: PriceBook): Iterable<FileIssue> {
  for (const [i, region] of book.regions.entries()) {
    if (!ownValue(book.prices, region.id)) {
      yield missingPrice(['prices', region.id], `Region ${region.name} (/regions/${i}) has no prices.`)
    }
  }
  const sold = new Set(Object.values(book.prices).flatMap(({ sizes }) => Object.keys(sizes)))
  for (const [i, { id, name }] of book.sizes.entries()) {
    if (!sold.has(id)) yield missingPrice(['sizes', i], `${name} has no price in any region.`)
  }
  for (const [regionId, prices] of Object.entries(book.prices)) {
    const path = ['prices', regionId]
    yield* sizesWithoutPrice(book, prices, path)
    yield* roomsWithoutPrice(book, prices, path)
    yield* statesWithoutPrice(book, prices, path)
  }
}

const RATES = ['perSecond', 'perHour', 'perMonth', 'perVcpuHour', 'perCoreHour', 'perGiBHour'] as const

const hasRate = (texts: SizeRateTexts & HourBands): boolean =>
  texts.perHourBands !== undefined || RATES.some((field) => texts[field] !== undefined)

function* sizesWithoutPrice(book: PriceBook, prices: RegionPrices, path: Path): Iterable<FileIssue> {
  const onDemand = book.terms.some(({ kind }) => kind === 'on-demand')
  const byId = new Map(book.terms.map((terms) => [terms.id, terms]))
  for (const [size, price] of Object.entries(prices.sizes)) {
    const at = [...path, 'sizes', size]
    const offers = Object.entries(price.terms ?? {})
    if (!(onDemand && hasRate(price)) && offers.length === 0) {
      yield missingPrice(at, `The size "${size}" is listed here and has no price on any terms.`)
    }
    for (const [id, offer] of offers) yield* offerProblems(byId.get(id), offer, [...at, 'terms', id])
  }
}

function offerProblems(terms: Terms | undefined, offer: TermsPrice, path: Path): FileIssue[] {
  if (!terms) return []
  if (terms.kind === 'on-demand') {
    return [badValue(path, 'On-demand rates stand beside "terms", not in it.', 'no on-demand terms here.')]
  }
  if (terms.kind !== 'commitment') {
    return hasRate(offer) ? [] : [missingPrice(path, `${terms.name} has no rate.`)]
  }
  const issues: FileIssue[] = []
  if (terms.upFront !== 'none' && offer.upFront === undefined) {
    issues.push(
      missingPrice([...path, 'upFront'], `${terms.name} is paid up front, and there is no price for it.`),
    )
  }
  if (terms.upFront !== 'all' && !hasRate(offer))
    issues.push(missingPrice(path, `${terms.name} has no rate.`))
  return issues
}

function roomsWithoutPrice(book: PriceBook, prices: RegionPrices, path: Path): FileIssue[] {
  return book.diskKinds.flatMap((kind) => {
    const price = ownValue(prices.disks, kind.id)
    if (!price) return []
    const at = [...path, 'disks', kind.id]
    if (kind.room.by === 'size') {
      return [badValue(at, `${kind.name} is part of a size's price.`, 'no price for it here.')]
    }
    if (kind.room.by === 'gib') {
      return price.perGiBMonth === undefined && price.perGiBMonthBands === undefined
        ? [missingPrice([...at, 'perGiBMonth'], `${kind.name} is sold by the GiB and has no price for one.`)]
        : []
    }
    return kind.room.stepsGiB
      .filter((step) => ownValue(price.perMonthByStep, String(step)) === undefined)
      .map((step) =>
        missingPrice(
          [...at, 'perMonthByStep', step],
          `${kind.name} has no price for its step of ${step} GiB.`,
        ),
      )
  })
}

function statesWithoutPrice(book: PriceBook, prices: RegionPrices, path: Path): FileIssue[] {
  const chargesImage = Object.values(book.states).some((row) => row.memoryImage)
  return chargesImage && prices.memoryImagePerGiBMonth === undefined
    ? [
        missingPrice(
          [...path, 'memoryImagePerGiBMonth'],
          'A state charges the memory image and there is no price for it.',
        ),
      ]
    : []
}
