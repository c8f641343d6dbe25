import { accept, refuse, type Outcome } from '../outcome.ts'

/** A figure as it stands in a cell for people, as plain decimal text. */
export interface Figure {
  /** Digits with a point at the most: `0.0416`. */
  readonly text: string
  /** The mark could part thousands as well as decimals, `1,234`, and nothing said which. */
  readonly isUnsure: boolean
}

export type FigureProblem =
  | { readonly code: 'empty' }
  | { readonly code: 'no-number' }
  /** Such as a formula, or two prices in one cell. */
  | { readonly code: 'several-numbers' }
  | { readonly code: 'negative' }
  | { readonly code: 'too-many-digits' }

export type DecimalMark = '.' | ','

/** As many digits as a price book keeps before and after the point; beyond them it is something else. */
const KEPT = /^\d{1,12}(\.\d{1,18})?$/
/** Longer texts are prose: nothing is looked for in them, whatever a pattern would cost. */
export const LONGEST_CELL = 200

/** Digits without groups whose point can part nothing but decimals, as most figures are written. */
const POINTED = /^(?:0\.\d{1,18}|\d{1,12}(?:\.(?:\d{1,2}|\d{4,18}))?)$/
/** Blanks that part thousands, apostrophes that do, and what stands around a number in a cell. */
const BLANKS = /[\s\u00a0\u2007\u2009\u202f]/g
const FOOTNOTE = /\[[^\]]{1,3}\]|\(\d\)$|[*†‡§¹²³⁴⁵⁶⁷⁸⁹⁰]+/g
const NUMBER = /[-−–]?\d+(?:[.,'’ ]\d+)*(?:[eE][-+]?\d{1,3})?|[-−–]?[.,]\d+/g

/**
 * One figure out of a cell: currency signs, words such as "from", units, thin blanks, marks of footnotes and either mark
 * for decimals are understood. `mark` is the one that parts decimals in this column, see `decimalMarkOf`. Letters before a
 * number that belong to a name (`v2`) are the caller's to leave out.
 */
export function readFigure(cell: string, mark?: DecimalMark): Outcome<Figure, FigureProblem> {
  if (cell.length > LONGEST_CELL) return refuse({ code: 'several-numbers' })
  if (POINTED.test(cell)) return accept({ text: trimmed(cell), isUnsure: false })
  const plain = cell.replace(FOOTNOTE, '').replace(BLANKS, ' ').trim()
  if (plain === '') return refuse({ code: 'empty' })
  if (plain.startsWith('=')) return refuse({ code: 'several-numbers' })
  const found = plain.match(NUMBER) ?? []
  if (found.length === 0) return refuse({ code: 'no-number' })
  const [number] = found
  if (found.length > 1 || !number) return refuse({ code: 'several-numbers' })
  // Between digits a dash is a span or a date; before one alone it is a sign, as parentheses are in accounts.
  if (/^[-−–]/.test(number) || /^\([^()]*\)$/.test(plain)) return refuse({ code: 'negative' })
  const [digits = '', power] = number.replace(/[' ’]/g, '').split(/[eE]/)
  const read = plainDigits(digits, mark)
  if (!read) return refuse({ code: 'several-numbers' })
  const text = power === undefined ? read.text : movedPoint(read.text, Number(power))
  const plainText = trimmed(text)
  return KEPT.test(plainText)
    ? accept({ text: plainText, isUnsure: read.isUnsure })
    : refuse({ code: 'too-many-digits' })
}

/**
 * Most figures can be read in one way only, whatever the rest of their column does: nothing is grouped behind a nought, in
 * other than threes (or twos before a three, as lakhs are), or with one mark on both sides. Where a figure can be read in
 * two, as `1,234` and `1.234` can, the mark decides; without one, it is a guess.
 */
export function plainDigits(digits: string, mark: DecimalMark | undefined): Figure | undefined {
  const [byPoint, byComma] = [readBy(digits, '.'), readBy(digits, ',')]
  if (byPoint === undefined || byComma === undefined || byPoint === byComma) {
    const only = byPoint ?? byComma
    return only === undefined ? undefined : { text: only, isUnsure: false }
  }
  if (mark) return { text: mark === '.' ? byPoint : byComma, isUnsure: false }
  // As it stands in most files: a point parts decimals, a comma thousands.
  return { text: byPoint, isUnsure: true }
}

const OTHER_MARK = { '.': ',', ',': '.' } as const satisfies Record<DecimalMark, DecimalMark>

/** Plain decimal text of digits and marks, by the mark that parts decimals; undefined where it cannot be. */
function readBy(digits: string, decimal: DecimalMark): string | undefined {
  const [whole = '', fraction, ...more] = digits.split(decimal)
  const group = OTHER_MARK[decimal]
  if (more.length > 0 || fraction?.includes(group) || whole.includes(decimal)) return undefined
  const groups = whole.split(group)
  if (groups.length === 1) return fraction === undefined ? whole : `${whole || '0'}.${fraction}`
  const [first = ''] = groups
  const isGrouped =
    /^[1-9]\d{0,2}$/.test(first) &&
    groups.at(-1)!.length === 3 &&
    groups.slice(1, -1).every(({ length }) => length === 3 || length === 2)
  if (!isGrouped) return undefined
  return fraction === undefined ? groups.join('') : `${groups.join('')}.${fraction}`
}

/** How a figure can be read: by one mark alone, or by either with two results. */
export function marksOf(cell: string): DecimalMark | 'either' | undefined {
  if (cell.length > LONGEST_CELL) return undefined
  if (POINTED.test(cell)) return cell.includes('.') ? '.' : undefined
  const found = cell.replace(FOOTNOTE, '').match(/\d*(?:[.,]\d+)+/g) ?? []
  if (found.length !== 1) return undefined
  const [digits] = found as [string]
  const [byPoint, byComma] = [readBy(digits, '.'), readBy(digits, ',')]
  if (byPoint === byComma) return undefined
  return byPoint === undefined ? ',' : byComma === undefined ? '.' : 'either'
}

/** As many places to the right as the power of ten says. */
function movedPoint(text: string, power: number): string {
  const [whole = '', fraction = ''] = text.split('.')
  const at = whole.length + power
  const all = `${'0'.repeat(Math.max(0, -at))}${whole}${fraction}`
  const point = Math.max(0, at)
  const padded = all.padEnd(point, '0')
  return `${padded.slice(0, point) || '0'}.${padded.slice(point) || '0'}`
}

/** Without noughts that say nothing; the digits after the point stay as they were given. */
function trimmed(text: string): string {
  const [whole = '0', fraction] = text.split('.')
  const plain = whole.replace(/^0+(?=\d)/, '')
  return fraction === undefined || /^0*$/.test(fraction) ? plain : `${plain}.${fraction}`
}
