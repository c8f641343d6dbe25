import type { LeftOut, ListEntry } from '../../core/pricelist/listEntry.ts'
import type { LeftOutCount, Contradiction } from '../../core/pricelist/ListTroubles.ts'
import type { OddPrice, Proof } from '../../core/pricelist/listChecks.ts'
import type { ListMapping, MappingQuestion, TableJoin } from '../../core/pricelist/listMapping.ts'
import type { PriceRecipe } from '../../core/pricelist/priceRecipe.ts'
import type { UnheldPrice } from '../../core/pricelist/sizePricesOfList.ts'
import type { PriceBook } from '../../core/catalogue/priceBook.ts'
import type { Doubt } from '../../core/plausible/bookDoubts.ts'
import type { BookFigures } from '../../core/plausible/bookFigures.ts'
import type { UnitMend } from '../../core/pricelist/unitMend.ts'
import type { Manner } from '../../core/manner/manners.ts'
import type { FileIssue } from '../reading/fileIssue.ts'

type Rows = readonly (readonly string[])[]

/** A list as it came: one or several files, or tables that were pasted or stood on a page. */
export type ListSource =
  | { readonly kind: 'files'; readonly files: readonly { readonly name: string; readonly file: Blob }[] }
  | { readonly kind: 'tables'; readonly tables: readonly { readonly name: string; readonly rows: Rows }[] }

export interface ListQuestion {
  readonly source: ListSource
  /** Absent, that of a recipe of the list's shape is taken, else one is proposed. */
  readonly mapping?: ListMapping
  /** Answers of it that nobody has confirmed. */
  readonly assumed?: readonly MappingQuestion[]
  /** Kept recipes. */
  readonly recipes?: readonly PriceRecipe[]
  /** Where nothing is to be proposed: a list of another shape than those of the recipes is refused. */
  readonly onlyByRecipe?: boolean
  readonly provider: { readonly id: string; readonly name: string }
  /** The first day on which the prices hold. */
  readonly from: string
  readonly manner: Manner
  /** Of the other books that are kept: what the list's figures are looked at beside. */
  readonly others?: readonly BookFigures[]
}

/** What looks wrong, and what would mend it in the rows of one meaning. */
export interface ListDoubt {
  readonly doubt: Doubt
  readonly mend?: UnitMend & { readonly at: number }
}

/** A wide table has hundreds of prices in a row; no more are shown. */
export const MOST_ENTRIES = 400

/** One row of the list as it is shown beside its mapping. */
export interface SampleRow {
  /** Counted from 1, as in the file. */
  readonly row: number
  readonly cells: readonly string[]
  /** What it gave, one for each of its prices; none where it was left out. At most `MOST_ENTRIES`. */
  readonly entries: readonly ListEntry[]
  /** Why it gave nothing, or one of its prices did not. */
  readonly leftOut?: LeftOut
}

export interface TableReading {
  readonly name: string
  /** With those of its partners. */
  readonly columns: readonly string[]
  readonly sample: readonly SampleRow[]
  /** Different texts of columns that could be filtered by. */
  readonly values: readonly (readonly [column: string, texts: readonly string[]])[]
  readonly rows: number
  readonly used: number
  /** As rows with prices, as what others look up, or not at all. */
  readonly role: 'prices' | 'partner' | 'unused'
}

/** How rows found their partners. */
export interface JoinReading {
  readonly join: TableJoin
  readonly found: number
  readonly lacking: number
  /** Texts that found none, the first of them. */
  readonly examples: readonly string[]
  /** Keys that stand more than once in the partner: the first row counts. */
  readonly repeated: readonly string[]
}

export interface ListReading {
  readonly tables: readonly TableReading[]
  readonly joins: readonly JoinReading[]
  readonly mapping: ListMapping
  /** Whose list it is taken for, and how that provider charges: as asked, or as the recipe says. */
  readonly provider: PriceRecipe['provider']
  readonly manner: Manner
  /** Whether a kept recipe was of this list's shape. */
  readonly isByRecipe: boolean
  /** Answers that were proposed and that nobody has confirmed. */
  readonly unsure: readonly MappingQuestion[]
  readonly rows: number
  readonly used: number
  readonly leftOut: readonly LeftOutCount[]
  readonly contradictions: readonly Contradiction[]
  readonly odd: readonly OddPrice[]
  readonly doubts: readonly ListDoubt[]
  readonly unheld: readonly UnheldPrice[]
  readonly duplicates: number
  readonly beyond: number
  /** Of each size in each place whether it has a price, row by row, for the picture; at most so many of each. */
  readonly picture: readonly string[]
  /** On demand, and on other terms or with other systems. */
  readonly prices: number
  readonly offers: number
  /** Places as the list calls them, with the name that each has in the book. */
  readonly places: readonly { readonly name: string; readonly city?: string }[]
  readonly proofs: readonly Proof[]
  /** Absent where nothing of the list can be sold. */
  readonly book?: PriceBook
  /** Where the book is large: it as it is stored. */
  readonly json?: string
  /** What of the book would not pass. */
  readonly issues: readonly FileIssue[]
}
