import { LONGEST_CELL } from './readFigure.ts'

/** Currencies that a text can be of, the likeliest first. */
export interface CurrencySaid {
  readonly codes: readonly [string, ...string[]]
}

const CODES = new Set(
  'EUR USD GBP INR CAD CHF JPY AUD SEK PLN NOK DKK CZK HUF RON BRL MXN CLP ZAR SGD HKD NZD CNY KRW TRY ILS THB'.split(
    ' ',
  ),
)

/** Codes that are no words in small letters, as `try` and `ron` are. */
const SMALL_CODES = new Set(
  'eur usd gbp inr cad chf jpy aud sek pln nok dkk czk huf brl mxn zar sgd nzd'.split(' '),
)

const SIGNS: readonly (readonly [RegExp, CurrencySaid['codes']])[] = [
  [/\bC(?:A|AD)?\s?\$/, ['CAD']],
  [/\bA(?:U|UD)?\s?\$/, ['AUD']],
  [/\bNZ\s?\$/, ['NZD']],
  [/\bUS\s?\$/, ['USD']],
  [/\bR\$/, ['BRL']],
  [/€/, ['EUR']],
  [/£/, ['GBP']],
  [/₹/, ['INR']],
  [/zł/, ['PLN']],
  [/Kč/, ['CZK']],
  [/\b(?:SFr\.?|Fr\.)/, ['CHF']],
  // More than one country’s.
  [/\$/, ['USD', 'CAD', 'AUD', 'NZD', 'SGD', 'HKD', 'MXN', 'CLP']],
  [/¥/, ['JPY', 'CNY']],
]

const WORDS: readonly (readonly [RegExp, CurrencySaid['codes']])[] = [
  [/\beuros?\b/i, ['EUR']],
  [/\b(?:us|u\.s\.)\s*dollars?\b/i, ['USD']],
  [/\bcanadian\s*dollars?\b/i, ['CAD']],
  [/\bdollars?\b/i, ['USD', 'CAD', 'AUD', 'NZD', 'SGD', 'HKD']],
  [/\b(?:pounds?\s*sterling|sterling|pence)\b/i, ['GBP']],
  [/\b(?:yen)\b/i, ['JPY']],
  [/\b(?:rupees?|paise)\b/i, ['INR']],
  [/\b(?:swiss\s*)?francs?\b/i, ['CHF']],
]

/** The currency that a text names by its code, its sign or a word; undefined where it names none. O(characters). */
export function currencyIn(text: string): CurrencySaid | undefined {
  if (text.length > LONGEST_CELL) return undefined
  for (const word of text.replace(/([a-z])([A-Z])/g, '$1 $2').split(/[^A-Za-z]+/)) {
    if (CODES.has(word) || SMALL_CODES.has(word)) return { codes: [word.toUpperCase()] }
  }
  const said = SIGNS.find(([sign]) => sign.test(text)) ?? WORDS.find(([word]) => word.test(text))
  return said && { codes: said[1] }
}

/** Whether nothing else can be meant. */
export const isOneCurrency = ({ codes }: CurrencySaid): boolean => codes.length === 1
