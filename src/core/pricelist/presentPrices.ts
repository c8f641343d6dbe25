import { wordsIn } from '../quantity/wordsIn.ts'
import { currencyIn } from '../table/currencyText.ts'
import { priceUnitIn, type PricePeriod } from '../table/priceUnit.ts'
import type { ColumnTraits } from '../table/columnTraits.ts'
import { FIELD_WORDS } from './listWords.ts'
import { termOfText } from './termOfText.ts'

/** Prices that were charged once. */
const FORMER = new Set(
  'former old previous was prior before alt alte alter bisher bisherig ancien ancienne anterior oud oude vorige list msrp'.split(
    ' ',
  ),
)
const WITH_TAX = new Set(
  'gross brutto bruto brut ttc incl inclusive including inkl vat mwst iva btw tva'.split(' '),
)
const WITHOUT_TAX = new Set(
  'net netto neto ht excl exclusive excluding exkl without ohne sans sin zonder ex'.split(' '),
)

/** The finest first: what it is the price for is read from one column, and the others only check it. */
const BEST_PERIODS: readonly (PricePeriod | undefined)[] = [
  'hour',
  'minute',
  'second',
  'day',
  'week',
  undefined,
  '730-hours',
  'month',
  'year',
]

const said = (words: readonly string[], known: ReadonlySet<string>): boolean =>
  words.some((word) => known.has(word))

const isFormer = ({ words }: ColumnTraits): boolean => said(words, FORMER)
const isTaxed = ({ words }: ColumnTraits): boolean => said(words, WITH_TAX) && !said(words, WITHOUT_TAX)

/**
 * Of columns that say the same price several times, the one that is taken: present before former, without tax before with
 * it, by the hour before by the month, in the first currency before others. Columns that differ in anything else, such as
 * in a place, all stay. O(columns).
 */
export function presentPrices(columns: readonly ColumnTraits[]): readonly ColumnTraits[] {
  const present = without(without(columns, isFormer), isTaxed)
  const groups = new Map<string, ColumnTraits[]>()
  for (const each of present) {
    const key = restOf(each)
    const group = groups.get(key)
    if (group) group.push(each)
    else groups.set(key, [each])
  }
  return [...groups.values()].map((group) => best(group))
}

/** All of them, where nothing else would be left. */
function without(
  columns: readonly ColumnTraits[],
  is: (column: ColumnTraits) => boolean,
): readonly ColumnTraits[] {
  const others = columns.filter((each) => !is(each))
  return others.length > 0 ? others : columns
}

const rank = ({ column }: ColumnTraits): number => BEST_PERIODS.indexOf(priceUnitIn(column).period)

/** Whole figures are seldom prices where others have parts. */
const best = (group: readonly ColumnTraits[]): ColumnTraits =>
  [...group].sort((a, b) => rank(a) - rank(b) || Number(a.wholes === 1) - Number(b.wholes === 1))[0]!

/** What a heading says beside the price, its period, its currency and its tax; all of one that names terms. */
const restOf = ({ column }: ColumnTraits): string =>
  ['commitment', 'spot'].includes(termOfText(column)?.is ?? '') ? column : plainRest(column)

const plainRest = (column: string): string =>
  wordsIn(column)
    .filter(
      (word) =>
        !FIELD_WORDS.price.has(word) &&
        !WITH_TAX.has(word) &&
        !WITHOUT_TAX.has(word) &&
        !/^(per|je|pro|par|por|a|an|in|of|the|std|each)$/.test(word) &&
        !/^\d+$/.test(word) &&
        priceUnitIn(`per ${word}`).period === undefined &&
        currencyIn(word) === undefined,
    )
    .join(' ')
