import { accept, refuse, type Outcome } from '../outcome.ts'
import { currencyIn, type CurrencySaid } from './currencyText.ts'
import { NO_UNIT, priceUnitIn, type PriceUnit } from './priceUnit.ts'
import { LONGEST_CELL, readFigure, type DecimalMark, type Figure, type FigureProblem } from './readFigure.ts'

/** A figure of money with what its cell says beside it. */
export interface Amount extends Figure {
  readonly currency?: CurrencySaid
  readonly unit: PriceUnit
}

const PLAIN = /^\d+(?:[.,]\d+)?$/
/** Shares, and millions, are no price of one thing. */
const NO_AMOUNT = /\d\s*(?:%|percent|prozent|pour ?cent|por ?ciento|procent)|\d[mM](?![\p{L}\d])/iu
/** `1.2k` is 1,200. */
const THOUSANDS = /\d[kK](?![\p{L}\d])/u

function thousandTimes(text: string): string {
  const [whole = '', fraction = ''] = text.split('.')
  const digits = `${whole}${fraction.padEnd(3, '0').slice(0, 3)}`.replace(/^0+(?=\d)/, '')
  const rest = fraction.slice(3)
  return rest === '' ? digits : `${digits}.${rest}`
}

/** What follows is for how much of something the amount is: it may have a number of its own. */
const PER = /\d[^\d]*?(?=\s*(?:\/|\bper\b|\bje\b|\bpro\b|\bpar\b|\bpor\b|\bfor\b|\beach\b))/iu

/**
 * `€0.040/h`, `$ 5 per 1,000 GiB`, `12,50 EUR pro Monat`: the figure by itself, and its currency and unit where the cell
 * names them. Refused where it has no one figure. At most `LONGEST_CELL` characters are looked at.
 */
export function readAmount(cell: string, mark?: DecimalMark): Outcome<Amount, FigureProblem> {
  if (cell.length > LONGEST_CELL) return refuse({ code: 'several-numbers' })
  const text = cell.trim()
  if (PLAIN.test(text)) {
    const read = readFigure(text, mark)
    return read.ok ? accept({ ...read.value, unit: NO_UNIT }) : read
  }
  if (NO_AMOUNT.test(text)) return refuse({ code: 'no-number' })
  const at = PER.exec(text)
  const cut = at ? at.index + at[0].length : text.length
  const behind = unitBehind(text.slice(cut))
  if (behind === undefined) return refuse({ code: 'several-numbers' })
  const read = readFigure(text.slice(0, cut), mark)
  if (!read.ok) return read
  const currency = currencyIn(text)
  const unit = at ? priceUnitIn(behind) : priceUnitIn(text.replace(/\d[\d.,' ]*/, ' '))
  const thousands = THOUSANDS.test(text.slice(0, cut))
  const { parts } = priceUnitIn(text.slice(0, cut).replace(/\d[\d.,' ]*/, ' '))
  return accept({
    ...read.value,
    ...(thousands && { text: thousandTimes(read.value.text) }),
    ...(currency && { currency }),
    unit: parts === undefined ? unit : { ...unit, parts },
  })
}

/** A word such as per, and how many: `per 1,000`. */
const LEAD = /^\s*(?:\/|\p{L}+\.?)\s*(\d[\d.,' ]*)?/u
/** What a cell may tell beside its price: `incl. 20 GB`, `2 vCPU`, a footnote. */
const BESIDE = /\d[\d.,' ]*(?:[kmgtp]i?[bo]\b|v?cpus?\b|v?cores?\b|kerne\b)|\(\d{1,2}\)/giu

/** What an amount is for, of what stands behind it; undefined where another amount stands there. */
function unitBehind(text: string): string | undefined {
  const [lead = '', count] = LEAD.exec(text) ?? []
  const after = text.slice(lead.length)
  const counted = /^\p{L}+/u.exec(after)?.[0]
  if (count !== undefined && (counted === undefined || currencyIn(counted))) return undefined
  if (/\d/.test(after.replace(BESIDE, ' '))) return undefined
  const told = after.search(BESIDE)
  return told < 0 ? text : text.slice(0, lead.length + told)
}
