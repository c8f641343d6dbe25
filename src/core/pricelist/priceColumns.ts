import type { ColumnTraits } from './columnTraits.ts'
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
      return headings.map((column, i) => ({ column, [one]: plain(above)[i]!, [other]: plain(below)[i]! }))
  }
  if (isOnTerms) {
    return headings.map((column) => ({
      column,
      term: ['commitment', 'spot'].includes(termOfText(column)?.is ?? '') ? column : '',
    }))
  }
  const texts = plain(headings)
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

/** Without the words at their ends that all have: "Lyon" of "Lyon €/month". */
function plain(texts: readonly string[]): string[] {
  const words = texts.map((text) => text.split(' '))
  const distinct = new Set(texts)
  if (distinct.size < 2) return [...texts]
  let [after, before] = [0, 0]
  const endsAlike = (count: number): boolean =>
    words.every((each) => each.length > count + 1 && each.at(-1 - count) === words[0]!.at(-1 - count))
  while (endsAlike(after)) after += 1
  const beginsAlike = (count: number): boolean =>
    words.every((each) => each.length > after + count + 1 && each[count] === words[0]![count])
  while (beginsAlike(before)) before += 1
  return words.map((each) =>
    each
      .slice(before, each.length - after)
      .join(' ')
      .replace(/[\s,;:–-]+$/, ''),
  )
}
