import { withoutShared } from './withoutShared.ts'
import type { ColumnTraits } from '../table/columnTraits.ts'
import type { PriceColumn } from './listMapping.ts'
import { PLAIN_SYSTEM } from './listWords.ts'
import { termOfText } from './termOfText.ts'

interface Headings {
  readonly columns: readonly string[]
  readonly levels?: readonly (readonly [string, string])[]
}

/** What the headings of several columns of prices say of them: a place, terms, a system; undefined where there is one column. */
export function priceColumnsOf(
  priced: readonly ColumnTraits[],
  { columns, levels = [] }: Headings,
): PriceColumn[] | undefined {
  if (priced.length < 2) return undefined
  const headings = priced.map(({ column }) => column)
  const isOnTerms = headings.some((each) => ['commitment', 'spot'].includes(termOfText(each)?.is ?? ''))
  const pairs = headings.map((column) => levels[columns.indexOf(column)] ?? ['', ''])
  const above = pairs.map(([each]) => each)
  const below = pairs.map(([, each]) => each)
  if (new Set(above).size > 1 && new Set(below).size > 1 && new Set(below).size < below.length) {
    const [one, other] = [saidBy(above), saidBy(below)]
    if (one !== other)
      return headings.map((column, i) => ({
        column,
        [one]: withoutShared(above)[i]!,
        [other]: withoutShared(below)[i]!,
      }))
  }
  if (isOnTerms) {
    const terms = withoutShared(headings)
    return headings.map((column, i) => ({
      column,
      term: ['commitment', 'spot'].includes(termOfText(column)?.is ?? '') ? terms[i]! : '',
    }))
  }
  const texts = withoutShared(headings)
  const said = saidBy(texts)
  return headings.map((column, i) => ({ column, [said]: texts[i]! }))
}

/** What texts over columns are. */
function saidBy(texts: readonly string[]): 'place' | 'term' | 'system' {
  const distinct = [...new Set(texts)]
  if (
    distinct.every((text) => termOfText(text)) &&
    distinct.some((text) => termOfText(text)?.is !== 'on-demand')
  ) {
    return 'term'
  }
  return distinct.some((text) => PLAIN_SYSTEM.test(text)) ? 'system' : 'place'
}
