import { accept, type Outcome } from '../outcome.ts'
import { currencyIn, type CurrencySaid } from './currencyText.ts'
import { NO_UNIT, priceUnitIn, type PriceUnit } from './priceUnit.ts'
import { readFigure, type DecimalMark, type Figure, type FigureProblem } from './readFigure.ts'

/** A figure of money with what its cell says beside it. */
export interface Amount extends Figure {
  readonly currency?: CurrencySaid
  readonly unit: PriceUnit
}

const PLAIN = /^\d+(?:[.,]\d+)?$/
/** What follows is for how much of something the amount is: it may have a number of its own. */
const PER = /\d[^\d]*?(?=\s*(?:\/|\bper\b|\bje\b|\bpro\b|\bpar\b|\bpor\b|\bfor\b|\beach\b))/iu

/**
 * `€0.040/h`, `$ 5 per 1,000 GiB`, `12,50 EUR pro Monat`: the figure by itself, and its currency and unit where the cell
 * names them. Refused where it has no one figure. O(characters).
 */
export function readAmount(cell: string, mark?: DecimalMark): Outcome<Amount, FigureProblem> {
  const text = cell.trim()
  if (PLAIN.test(text)) {
    const read = readFigure(text, mark)
    return read.ok ? accept({ ...read.value, unit: NO_UNIT }) : read
  }
  const at = PER.exec(text)
  const cut = at ? at.index + at[0].length : text.length
  const read = readFigure(text.slice(0, cut), mark)
  if (!read.ok) return read
  const currency = currencyIn(text)
  const unit = at ? priceUnitIn(text.slice(cut)) : priceUnitIn(text.replace(/\d[\d.,' ]*/, ' '))
  const { parts } = priceUnitIn(text.slice(0, cut).replace(/\d[\d.,' ]*/, ' '))
  return accept({
    ...read.value,
    ...(currency && { currency }),
    unit: parts === undefined ? unit : { ...unit, parts },
  })
}
