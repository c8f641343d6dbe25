import type { LeftOutCount, Contradiction } from '../../core/pricelist/ListCollector.ts'
import type { OddPrice, Proof } from '../../core/pricelist/listChecks.ts'
import type { ListMapping, MappingQuestion } from '../../core/pricelist/listMapping.ts'
import type { PriceRecipe } from '../../core/pricelist/priceRecipe.ts'
import type { PriceBook } from '../../core/catalogue/priceBook.ts'
import type { Manner } from '../../core/manner/manners.ts'
import type { FileIssue } from '../reading/fileIssue.ts'

/** A list as it came: a file, or rows that were pasted. */
export type ListSource =
  | { readonly kind: 'file'; readonly file: Blob; readonly name: string }
  | { readonly kind: 'rows'; readonly rows: readonly (readonly string[])[] }

export interface ListQuestion {
  readonly source: ListSource
  /** Absent, that of a recipe of the list's shape is taken, else one is proposed. */
  readonly mapping?: ListMapping
  /** Answers of it that nobody has confirmed. */
  readonly assumed?: readonly MappingQuestion[]
  /** Kept recipes. */
  readonly recipes?: readonly PriceRecipe[]
  readonly provider: { readonly id: string; readonly name: string }
  /** The first day on which the prices hold. */
  readonly from: string
  readonly manner: Manner
}

/** One row of the list as it is shown beside its mapping. */
export interface SampleRow {
  /** Counted from 1, as in the file. */
  readonly row: number
  readonly cells: readonly string[]
  readonly isUsed: boolean
}

export interface ListReading {
  readonly columns: readonly string[]
  readonly sample: readonly SampleRow[]
  readonly mapping: ListMapping
  /** Whose list it is taken for, and how that provider charges: as asked, or as the recipe says. */
  readonly provider: PriceRecipe['provider']
  readonly manner: Manner
  /** Whether a kept recipe was of this list's shape. */
  readonly isByRecipe: boolean
  /** Answers that were proposed and that nobody has confirmed. */
  readonly unsure: readonly MappingQuestion[]
  /** Different texts of columns that could be filtered by. */
  readonly values: readonly (readonly [column: string, texts: readonly string[]])[]
  readonly rows: number
  readonly used: number
  readonly leftOut: readonly LeftOutCount[]
  readonly contradictions: readonly Contradiction[]
  readonly odd: readonly OddPrice[]
  readonly duplicates: number
  readonly beyond: number
  /** Of each size in each place whether it has a price, row by row, for the picture; at most so many of each. */
  readonly picture: readonly string[]
  readonly prices: number
  readonly proofs: readonly Proof[]
  /** Absent where nothing of the list can be sold. */
  readonly book?: PriceBook
  /** What of the book would not pass. */
  readonly issues: readonly FileIssue[]
}
