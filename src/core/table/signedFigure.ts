import { LONGEST_CELL, plainDigits, type DecimalMark } from './readFigure.ts'

const PLAIN = /^-?\d*\.?\d+(?:e[+-]?\d{1,2})?$/i
/** One of marks that part decimals or groups, to be decided. */
const MARKED = /^\d{1,3}[.,]\d{3}$/
const NUMBER = /\d[\d.,'’\u00a0\u2009\u202f ]*(?:e[+-]?\d{1,2})?|[.,]\d+/gi

/**
 * A figure that may be below zero, as plain decimal text of any number of digits: a minus before or behind it or
 * parentheses around it, signs of money and units beside it. Undefined where the text has no one figure. `mark` decides
 * where a figure can be read in two ways.
 */
export function signedFigure(text: string, mark: DecimalMark): string | undefined {
  if (text.length > LONGEST_CELL) return undefined
  if (PLAIN.test(text) && !(mark === ',' && MARKED.test(text.replace('-', '')))) return text
  const found = text.match(NUMBER) ?? []
  if (found.length !== 1) return undefined
  const [digits = '', power] = found[0]!.replace(/['’\s\u00a0\u2009\u202f]/g, '').split(/e/i)
  const read = plainDigits(digits, mark)
  if (!read) return undefined
  const money = text.replace(/[\s$€£₹¥]/g, '')
  const isNegative =
    /^\(.*\)$/.test(text.trim()) || /^[-−–]|[-−–]$/.test(money) || /[-−–][^\p{L}\d]*\d/u.test(money)
  return `${isNegative ? '-' : ''}${read.text}${power === undefined ? '' : `e${power}`}`
}
