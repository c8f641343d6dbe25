import { accept, refuse, type Outcome } from '../outcome.ts'

/** A figure as it stands in a cell for people, as plain decimal text. */
export interface Figure {
  /** Digits with a point at the most: `0.0416`. */
  readonly text: string
  /** The mark could part thousands as well as decimals: `1,234`. It was taken as parting thousands. */
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
const LONGEST_CELL = 200

/** Blanks that part thousands, apostrophes that do, and what stands around a number in a cell. */
const BLANKS = /[\s\u00a0\u2007\u2009\u202f]/g
const FOOTNOTE = /\[[^\]]{1,3}\]|\(\d\)$|[*†‡§¹²³⁴⁵⁶⁷⁸⁹⁰]+/g
const NUMBER = /[-−–]?\d+(?:[.,'’ ]\d+)*(?:[eE][-+]?\d{1,3})?|[-−–]?[.,]\d+/g

/**
 * One figure out of a cell: currency signs, words such as "from", units, thin blanks, marks of footnotes and either mark
 * for decimals are understood. With `mark` it is known which mark parts decimals in this column. Letters before a
 * number that belong to a name (`v2`) are the caller's to leave out.
 */
export function readFigure(cell: string, mark?: DecimalMark): Outcome<Figure, FigureProblem> {
  if (cell.length > LONGEST_CELL) return refuse({ code: 'several-numbers' })
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
  const read = withPoint(digits, mark)
  if (!read) return refuse({ code: 'several-numbers' })
  const text = power === undefined ? read.text : movedPoint(read.text, Number(power))
  const plainText = trimmed(text)
  return KEPT.test(plainText)
    ? accept({ text: plainText, isUnsure: read.isUnsure })
    : refuse({ code: 'too-many-digits' })
}

/** Which mark parts decimals. The last of two kinds does; one that comes more than once parts thousands. */
function withPoint(digits: string, mark: DecimalMark | undefined): Figure | undefined {
  const commas = digits.split(',').length - 1
  const points = digits.split('.').length - 1
  if (commas + points === 0) return { text: digits, isUnsure: false }
  const decimal = mark ?? likelyMark(digits, commas, points)
  const other = decimal === '.' ? ',' : '.'
  const [whole = '', fraction, ...more] = digits.split(decimal ?? ' ')
  if (more.length > 0 || fraction?.includes(other)) return undefined
  const groups = whole.split(/[.,]/)
  // The last group has three digits; those between it and the first as well, or two as in lakhs.
  const between = groups.slice(1, -1).some((group) => group.length !== 3 && group.length !== 2)
  if (between || (groups.length > 1 && groups.at(-1)!.length !== 3)) return undefined
  const text = fraction === undefined ? groups.join('') : `${groups.join('') || '0'}.${fraction}`
  const couldBeEither =
    mark === undefined && commas + points === 1 && /^[1-9]\d{0,2}[.,]\d{3}$/.test(digits) && commas === 1
  return { text, isUnsure: couldBeEither }
}

function likelyMark(digits: string, commas: number, points: number): DecimalMark | undefined {
  if (commas > 0 && points > 0) return digits.lastIndexOf(',') > digits.lastIndexOf('.') ? ',' : '.'
  if (points === 1) return '.'
  if (points > 1) return undefined
  // A comma before three digits parts thousands, but not behind a nought.
  return commas === 1 && !/^[1-9]\d{0,2},\d{3}$/.test(digits) ? ',' : undefined
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
