import { cityIn } from '../catalogue/cities.ts'
import { wordsIn } from '../quantity/wordsIn.ts'
import { withoutShared } from './withoutShared.ts'
import { isNamed, isNumber, type ColumnFinder } from './columnFinder.ts'
import type { ColumnTraits } from '../table/columnTraits.ts'
import { LIST_FIELDS } from './listMapping.ts'
import { currencyIn } from '../table/currencyText.ts'
import { priceUnitIn } from '../table/priceUnit.ts'
import { FIELD_WORDS } from './listWords.ts'
import { presentPrices } from './presentPrices.ts'
import { termOfText } from './termOfText.ts'

const MANY = 4

const OTHER_FIELDS = LIST_FIELDS.filter(
  (field) => !['price', 'place', 'term', 'payment', 'unit'].includes(field),
)

/**
 * Columns that seem to hold prices: one that is called so, with those beside it that are called by other terms; or all
 * figures that are money or no field, where they are several: a wide table. None where there is no such.
 */
export function pricedColumns(finder: ColumnFinder): readonly ColumnTraits[] {
  const figures = [...finder.free].filter(
    (each) => isNumber(each) && each.filled.length > 0 && !isNamed(each, 'upFront'),
  )
  const called = presentPrices(figures.filter((each) => isNamed(each, 'price') && !isOfHardware(each)))
  if (called.length > 1 && isAcross(called)) return called
  if (called.length > 0) {
    const onTerms = figures.filter(isOtherTerms)
    const base = called.filter((each) => !isOtherTerms(each))
    return [...(base.length > 0 ? [best(base)] : []), ...onTerms]
  }
  const money = figures.filter((each) => isMoney(each) && !isOfHardware(each))
  const unnamed = figures.filter(
    (each) =>
      !isNamed(each, ...OTHER_FIELDS) &&
      !isOfHardware(each) &&
      each.wholes < 1 &&
      (each.letters < 0.5 || saysPeriods(each)) &&
      !/^column \d+$/.test(each.column),
  )
  // Where some name a currency, figures that name none are something else, but for those on other terms.
  const across =
    money.length > 0 ? figures.filter((each) => money.includes(each) || isOtherTerms(each)) : unnamed
  const present = presentPrices(across)
  return present.length > 1 || present.some(isMoney) ? present : []
}

/** Whether other columns say the same prices, of another time, with tax, or for another period. */
export const isChosenAmong = (priced: readonly ColumnTraits[], finder: ColumnFinder): boolean =>
  priced.length === 1 &&
  [...finder.free].some(
    (each) =>
      each !== priced[0] &&
      isNumber(each) &&
      isNamed(each, 'price') &&
      !isNamed(each, 'upFront') &&
      !isOfHardware(each),
  )

/** What its cells are the price for, such as `0.02 per hour`. */
const saysPeriods = ({ filled }: ColumnTraits): boolean =>
  priceUnitIn((filled[0] ?? '').replace(/^\W*\d[\d.,]*/, ' ')).period !== undefined

/** Whether headings differ in what they are the price for alone: in cities or terms, or in many words that are no other. */
function isAcross(called: readonly ColumnTraits[]): boolean {
  const rests = withoutShared(called.map(({ column }) => column))
  if (rests.some((rest) => wordsIn(rest).some((word) => FIELD_WORDS.price.has(word)))) return false
  const cities = rests.filter((rest) => cityIn(rest)).length
  return cities * 2 > rests.length || (called.length >= MANY && new Set(rests).size === rests.length)
}

/** Called by a commitment or as what may be taken away. */
const isOtherTerms = ({ column }: ColumnTraits): boolean =>
  ['commitment', 'spot'].includes(termOfText(column)?.is ?? '')

/** Whether heading or cells name a currency. */
export const isMoney = ({ column, filled }: ColumnTraits): boolean =>
  priceUnitIn(column).parts !== undefined ||
  [column, filled[0] ?? ''].some((text) => currencyIn(text) !== undefined)

/** Of parts that are no money: a processor’s rate, a network’s. */
const isOfHardware = ({ words }: ColumnTraits): boolean =>
  words.some((word) => /^(ghz|mhz|mbps|gbps|clock|bit|refresh)$/.test(word))

/** Whole figures are seldom prices where others have parts. */
const best = (found: readonly ColumnTraits[]): ColumnTraits =>
  found.find(({ wholes }) => wholes < 1) ?? found[0]!
