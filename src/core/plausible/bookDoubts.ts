import type { PriceBook } from '../catalogue/priceBook.ts'
import { ownValue } from '../ownValue.ts'
import { middleOf } from '../quantity/middleOf.ts'
import { bookFigures, type BookFigures } from './bookFigures.ts'

/** What a careful colleague would ask about a book after a look at it. */
export type Doubt =
  | {
      readonly about: 'machineHour' | 'memoryPerVcpu' | 'diskGiBMonth'
      /** In the middle of the book. */
      readonly found: number
      /** What the other books have in the middle, or what is common. */
      readonly usual: number
      readonly by: 'other-books' | 'common'
    }
  | {
      readonly about: 'falling-steps'
      readonly disk: string
      readonly place: string
      readonly smaller: number
      readonly larger: number
    }

/** Units of a currency for a euro, roughly: only orders of magnitude are told apart. Others count as one. */
const ABOUT_PER_EURO = new Map([
  ['JPY', 160],
  ['INR', 95],
  ['CZK', 25],
  ['SEK', 11],
  ['NOK', 11],
  ['DKK', 7],
  ['PLN', 4],
  ['RON', 5],
  ['BRL', 6],
  ['MXN', 20],
  ['CNY', 8],
  ['HKD', 9],
  ['ZAR', 20],
  ['TRY', 45],
  ['THB', 38],
  ['HUF', 400],
  ['KRW', 1_500],
  ['CLP', 1_050],
])

type Measure = Exclude<Doubt['about'], 'falling-steps'>

interface Bounds {
  readonly least: number
  readonly usual: number
  readonly most: number
  readonly isMoney: boolean
}

/** Wide enough for whatever is sold; in euros where they are money. */
const COMMON: { readonly [About in Measure]: Bounds } = {
  memoryPerVcpu: { least: 0.2, usual: 4, most: 64, isMoney: false },
  machineHour: { least: 0.0008, usual: 0.025, most: 0.8, isMoney: true },
  diskGiBMonth: { least: 0.002, usual: 0.06, most: 2, isMoney: true },
}

/** Beyond these times of what the other books have, something else was meant. */
const FAR_FROM_OTHERS = 15

/** Looks at a book beside the others that are kept, and beside what is common. O(prices × log prices), once a book. */
export function bookDoubts(book: PriceBook, others: readonly BookFigures[]): Doubt[] {
  const own = bookFigures(book)
  const measured = (Object.keys(COMMON) as Measure[]).flatMap((about): Doubt[] => {
    const found = own[about]
    const { least, usual, most, isMoney } = COMMON[about]
    if (found === undefined) return []
    const scale = isMoney ? (ABOUT_PER_EURO.get(own.currency) ?? 1) : 1
    const beside = middleOf(others.flatMap((each) => inEuro(each, about, isMoney) ?? []))
    if (beside !== undefined && isMoney) {
      const times = found / scale / beside
      if (times > FAR_FROM_OTHERS || times < 1 / FAR_FROM_OTHERS)
        return [{ about, found, usual: beside * scale, by: 'other-books' }]
    }
    return found < least * scale || found > most * scale
      ? [{ about, found, usual: usual * scale, by: 'common' }]
      : []
  })
  // What an hour costs for its memory says nothing where the memory is in doubt.
  const isMemory = measured.some(({ about }) => about === 'memoryPerVcpu')
  return [...measured.filter(({ about }) => !isMemory || about !== 'machineHour'), ...fallingSteps(book)]
}

const inEuro = (figures: BookFigures, about: Measure, isMoney: boolean): number | undefined => {
  const value = figures[about]
  return value === undefined ? undefined : value / (isMoney ? (ABOUT_PER_EURO.get(figures.currency) ?? 1) : 1)
}

/** A larger disk of a kind that costs less than a smaller one: the first of each kind. */
function fallingSteps(book: PriceBook): Doubt[] {
  return book.diskKinds.flatMap(({ id, name }): Doubt[] => {
    for (const region of book.regions) {
      const steps = Object.entries(
        ownValue(ownValue(book.prices, region.id)?.disks, id)?.perMonthByStep ?? {},
      )
        .map(([step, price]) => [Number(step), Number(price)] as const)
        .sort((a, b) => a[0] - b[0])
      const at = steps.findIndex(([, price], i) => i > 0 && price < steps[i - 1]![1])
      if (at > 0)
        return [
          {
            about: 'falling-steps',
            disk: name,
            place: region.name,
            smaller: steps[at - 1]![0],
            larger: steps[at]![0],
          },
        ]
    }
    return []
  })
}
