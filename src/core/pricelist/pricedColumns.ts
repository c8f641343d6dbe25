import { isNamed, isNumber, type ColumnFinder } from './columnFinder.ts'
import type { ColumnTraits } from './columnTraits.ts'
import { LIST_FIELDS } from './listMapping.ts'
import { currencyOfSign, CURRENCY_CODES } from './listWords.ts'
import { termOfText } from './termOfText.ts'

const OTHER_FIELDS = LIST_FIELDS.filter((field) => !['price', 'place', 'term', 'payment'].includes(field))

/**
 * Columns that seem to hold prices: one that is called so, with those beside it that are called by other terms; or all
 * figures that are money or no field, where they are several: a wide table. None where there is no such.
 */
export function pricedColumns(finder: ColumnFinder): ColumnTraits[] {
  const figures = [...finder.free].filter(
    (each) => isNumber(each) && each.filled.length > 0 && !isNamed(each, 'upFront'),
  )
  const called = figures.filter((each) => isNamed(each, 'price'))
  if (called.length > 0) {
    const onTerms = figures.filter(isOtherTerms)
    const base = called.filter((each) => !isOtherTerms(each))
    return [...(base.length > 0 ? [best(base)] : []), ...onTerms]
  }
  const across = figures.filter(
    (each) =>
      isMoney(each) ||
      (!isNamed(each, ...OTHER_FIELDS) &&
        each.wholes < 1 &&
        each.letters < 0.5 &&
        !/^column \d+$/.test(each.column)),
  )
  return across.length > 1 || across.some(isMoney) ? across : []
}

/** Called by a commitment or as what may be taken away. */
const isOtherTerms = ({ column }: ColumnTraits): boolean =>
  ['commitment', 'spot'].includes(termOfText(column)?.is ?? '')

/** Whether heading or cells name a currency. */
export const isMoney = ({ column, words, filled }: ColumnTraits): boolean =>
  words.some((word) => CURRENCY_CODES.has(word)) ||
  [column, filled[0] ?? ''].some((text) => currencyOfSign(text) !== undefined)

/** Whole figures are seldom prices where others have parts. */
const best = (found: readonly ColumnTraits[]): ColumnTraits =>
  found.find(({ wholes }) => wholes < 1) ?? found[0]!
