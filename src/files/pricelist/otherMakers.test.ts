import { readFileSync } from 'node:fs'
import Fraction from 'fraction.js'
import { describe, expect, test } from 'vitest'
import type { PriceBook } from '../../core/catalogue/priceBook.ts'
import { ownValue } from '../../core/ownValue.ts'
import type { ListReading } from './listAnswer.ts'
import { readingOfList } from './testing/answerToList.ts'

/** Lists in the writing of many makers, with the truth that they were made of: `scripts/otherLists.py`. */

interface MadeList {
  readonly name: string
  readonly files: readonly { readonly name: string; readonly text?: string; readonly base64?: string }[]
  readonly prices: readonly {
    readonly size: string
    readonly vcpu: number
    readonly memory: number
    readonly place: string
    readonly price: string
    readonly per: 'hour' | 'month'
    /** `?` where the list does not say. */
    readonly currency: string
    readonly term?: string
  }[]
  readonly disks: readonly {
    readonly disk: string
    readonly place: string
    readonly perGiBMonth?: string
    readonly step?: number
    readonly price?: string
  }[]
  readonly traffic: readonly { readonly upTo?: number; readonly price: string }[]
}

const LISTS = JSON.parse(
  readFileSync('src/files/pricelist/testing/otherLists.json', 'utf8'),
) as readonly MadeList[]

/** What no book of one currency, and no answer that nobody gave, can hold; the rest of these lists is right. */
const NAMED_ONLY: ReadonlyMap<string, string> = new Map([
  ['signs-across', 'other-currency'],
  ['signs-in-rows', 'other-currency'],
  // Prices of two times side by side: which columns are prices of what is asked.
  ['until-from', 'prices'],
])

/** By what is proposed, or by a kept mapping alone. */
const readingOf = ({ files }: MadeList, mapping?: ListReading['mapping']): Promise<ListReading> =>
  readingOfList(
    files.map(({ name, text, base64 }) => ({ name, content: text ?? Buffer.from(base64!, 'base64') })),
    mapping && {
      recipes: [{ provider: { id: 'own', name: 'Own' }, manner: 'gives-back' as const, mapping }],
      onlyByRecipe: true,
    },
  )

/** To the eighteen digits that a book keeps. */
const isSame = (text: string | undefined, truth: string | undefined): boolean =>
  text !== undefined &&
  truth !== undefined &&
  new Fraction(text)
    .sub(new Fraction(truth))
    .abs()
    .compare(new Fraction(1, 10n ** 17n)) <= 0

/** What of the truth a book has otherwise, and what it lacks. */
function against(book: PriceBook | undefined, { prices, disks, traffic }: MadeList) {
  const [wrong, lacking] = [[] as string[], [] as string[]]
  const pricesIn = (place: string) => {
    const region = book?.regions.find(({ name }) => name === place)
    return region && book!.prices[region.id]
  }
  for (const { size: name, vcpu, memory, place, price, per, currency, term } of prices) {
    const size = book?.sizes.find((each) => each.name === name)
    const sold = size && ownValue(pricesIn(place)?.sizes, size.id)
    const terms = book?.terms.find((each) => each.name === term)
    const rates = term === undefined ? sold : ownValue(sold?.terms, terms?.id ?? '')
    const amount = per === 'hour' ? rates?.perHour : rates?.perMonth
    const what = `${name} in ${place}${term === undefined ? '' : ` ${term}`}`
    if (!rates || (rates.perHour ?? rates.perMonth ?? rates.perSecond) === undefined) lacking.push(what)
    else if (
      !isSame(amount, price) ||
      size!.vcpu !== vcpu ||
      size!.memoryGiB !== memory ||
      (currency !== '?' && book!.currency !== currency)
    )
      wrong.push(`${what}: ${JSON.stringify(rates)} for ${price} ${currency}`)
  }
  for (const { disk, place, perGiBMonth, step, price } of disks) {
    const kind = book?.diskKinds.find(({ name }) => name === disk)
    const found = kind && ownValue(pricesIn(place)?.disks, kind.id)
    if (!found) lacking.push(disk)
    else if (!isSame(found.perGiBMonth ?? ownValue(found.perMonthByStep, String(step)), perGiBMonth ?? price))
      wrong.push(`${disk} in ${place}: ${JSON.stringify(found)}`)
  }
  for (const region of traffic.length > 0 ? (book?.regions ?? []) : []) {
    const bands = book!.prices[region.id]!.trafficOut?.map(({ upToGiB, perGiB }) => [upToGiB, perGiB])
    if (JSON.stringify(bands) !== JSON.stringify(traffic.map(({ upTo, price }) => [upTo, price])))
      wrong.push(`traffic of ${region.name}: ${JSON.stringify(bands)}`)
  }
  return { wrong, lacking }
}

describe.each(LISTS.map((list) => [list.name, list] as const))('%s', (name, list) => {
  test('comes in whole at the first look, and again when its mapping is kept', async () => {
    const first = await readingOf(list)
    const { wrong, lacking } = against(first.book, list)
    expect(wrong).toEqual([])
    const named = NAMED_ONLY.get(name)
    if (named === undefined) expect(lacking).toEqual([])
    else {
      const said = [
        ...first.unsure,
        ...first.leftOut.flatMap(({ leftOut }) => (leftOut.why === 'unreadable' ? leftOut.problem : [])),
      ]
      expect(said).toContain(named)
    }
    const again = await readingOf(list, first.mapping)
    expect(again.book?.prices).toEqual(first.book?.prices)
  })
})
