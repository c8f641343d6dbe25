import type { PriceBook } from '../../../core/catalogue/priceBook.ts'
import { toDecimal, parseDecimal, trimDecimal } from '../../../core/quantity/decimal.ts'
import { add } from '../../../core/quantity/exact.ts'
import { answerToList } from './answerToList.ts'

/** What a list gives without a word of help, a line for each price: `size, place, terms, system: price`. */
export async function linesOfList(files: Readonly<Record<string, string>>): Promise<string[]> {
  const read = await bookOfList(files)
  if (!read.book) return read.problems
  const { book } = read
  const lines = book.regions.flatMap(({ id, name: place }) => {
    const { sizes, disks, addresses, trafficOut = [], snapshotPerGiBMonth } = book.prices[id]!
    return [
      ...Object.entries(sizes).flatMap(([size, price]) => {
        const { name, vcpu, memoryGiB } = book.sizes.find((each) => each.id === size)!
        const head = `${name} ${vcpu}/${memoryGiB}, ${place}`
        const rateOf = (texts: typeof price): string =>
          texts.perHour === undefined ? `${texts.perMonth!} a month` : `${texts.perHour} an hour`
        return [
          `${head}: ${rateOf(price)}`,
          ...Object.entries(price.licences ?? {}).map(
            ([licence, { perHour }]) =>
              `${head}, ${licence}: ${trimDecimal(toDecimal(add(parseDecimal(price.perHour!)!, parseDecimal(perHour!)!), 12))} an hour`,
          ),
          ...Object.entries(price.terms ?? {}).map(
            ([terms, offer]) =>
              `${head}, ${terms}: ${rateOf(offer)}${offer.upFront === undefined ? '' : ` and ${offer.upFront}`}`,
          ),
        ]
      }),
      ...Object.entries(disks)
        .filter(([kind]) =>
          book.diskKinds.some(({ id: each, name }) => each === kind && !name.includes('not given')),
        )
        .map(([kind, { perGiBMonth, perGiBMonthBands = [] }]) => {
          const bands = perGiBMonthBands.map(({ upTo = 'all', price }) => `${price} to ${upTo}`)
          return `${kind}, ${place}: ${perGiBMonth ?? bands.join(', ')} a GiB and month`
        }),
      ...(addresses.fixed
        ? [`address, ${place}: ${[...new Set(Object.values(addresses.fixed))].join(' / ')}`]
        : []),
      ...trafficOut.map(({ upToGiB = 'all', perGiB }) => `traffic to ${upToGiB}, ${place}: ${perGiB}`),
      ...(snapshotPerGiBMonth === undefined ? [] : [`snapshot, ${place}: ${snapshotPerGiBMonth}`]),
    ]
  })
  return lines
}

interface ListRead {
  readonly book?: PriceBook
  readonly problems: string[]
}

/** The book that a list gives without a word of help. */
export async function bookOfList(files: Readonly<Record<string, string>>): Promise<ListRead> {
  const answer = await answerToList(Object.entries(files).map(([name, content]) => ({ name, content })))
  if (!answer.ok) return { problems: answer.issues.map(({ problem }) => problem) }
  const { book, issues } = answer.value
  return { ...(book && { book }), problems: issues.map(({ problem }) => problem) }
}
