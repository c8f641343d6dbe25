import { ownValue } from '../ownValue.ts'
import { LONGEST_CELL } from './readFigure.ts'
import { roomUnitIn, type RoomUnit } from './roomUnit.ts'

export const PRICE_PERIODS = [
  'second',
  'minute',
  'hour',
  'day',
  'week',
  '730-hours',
  'month',
  'year',
] as const
export type PricePeriod = (typeof PRICE_PERIODS)[number]

/** Whole money, cents, thousandths, millionths. */
export const PARTS_OF_MONEY = [1, 100, 1_000, 1_000_000] as const

/** What one price is for, as far as a text says it: `per 100 hours`, `GiB-month`, `Cents/h`. */
export interface PriceUnit {
  readonly period?: PricePeriod
  readonly room?: RoomUnit
  /** A price for each vCPU or core of a machine, and not for the machine. */
  readonly each?: 'vcpu' | 'core'
  /** So many of them: 100 of `100 hours`, 720 of `per 720 hours`. */
  readonly count?: number
  /** So many of the amount are one of its currency: 100 cents, 1,000,000 millionths. */
  readonly parts?: number
}

/** Of a text that says nothing of it. */
export const NO_UNIT: PriceUnit = {}

/** In English, German, French, Spanish and Dutch, without accents. */
const PERIOD_WORDS = {
  hour: 'hour|hours|hourly|hr|hrs|h|stunde|stunden|stundlich|std|heure|heures|horaire|hora|horas|uur|uren',
  month:
    'month|months|monthly|mo|mth|monat|monate|monatlich|mois|mensuel|mensuelle|mes|meses|mensual|maand|maanden|maandelijks',
  day: 'day|days|daily|tage|taglich|jour|jours|journalier|dia|dias|diario|dag|dagen|dagelijks',
  week: 'week|weeks|weekly|woche|wochen|wochentlich|semaine|semaines|semana|semanas|weken|wekelijks',
  minute: 'minute|minutes|minutely|minuten|minuut|minuto|minutos',
  second: 'second|seconds|sec|sekunde|sekunden|seconde|secondes|segundo|segundos|seconden',
  year: 'year|years|yearly|annual|annually|annum|yr|yrs|jahr|jahre|jahrlich|annee|annuel|annuelle|ano|anos|anual|jaar|jaarlijks',
} as const satisfies { readonly [Period in Exclude<PricePeriod, '730-hours'>]: string }

/** Short for a period only behind a stroke, a number or a word such as per. */
const SHORT_WORDS = {
  hour: 'u',
  month: 'm|mon|pcm',
  day: 'd|tag',
  week: 'w|wk',
  minute: 'min|mins',
  second: 's',
  year: 'y|a|an|jr',
} as const satisfies { readonly [Period in Exclude<PricePeriod, '730-hours'>]: string }

type Named = keyof typeof PERIOD_WORDS

/** Beginnings of German words such as Stundenpreis. */
const COMPOUNDS: readonly (readonly [RegExp, Named])[] = [
  [/\bstunden(?=preis|satz|tarif)/, 'hour'],
  [/\bmonats(?=preis|satz|tarif|gebuhr|miete)/, 'month'],
  [/\bjahres(?=preis|satz|tarif|gebuhr)/, 'year'],
  [/\btages(?=preis|satz|tarif)/, 'day'],
  [/\bwochen(?=preis|satz|tarif)/, 'week'],
  [/\bminuten(?=preis|satz|tarif)/, 'minute'],
]

const PERIODS = Object.keys(PERIOD_WORDS) as Named[]
const PER = String.raw`(?:(?:\bper|\bje|\bpro|\bpar|\bpor|\bal|\bim|\ba|\ban|\beach|\bevery|\bfor|\bthe|\band|\bund|\bet|\by|\ben)\s+|(?:\/|\bp\.)\s*)`
const NUMBER = String.raw`(\d[\d.,' ]*\d|\d)\s*(?:x\s*)?`

const alternatives = (of: Readonly<Record<Named, string>>): string =>
  PERIODS.map((period) => `(?<${period}>${of[period]})`).join('|')
const all = Object.fromEntries(
  PERIODS.map((period) => [period, `${PERIOD_WORDS[period]}|${SHORT_WORDS[period]}`]),
) as Record<Named, string>

const COUNTED = new RegExp(`(?<![\\d.,])${NUMBER}(?:${alternatives(all)})\\b`)
const SAID_PER = new RegExp(`${PER}(?:${alternatives(all)})\\b`)
const ALONE = new RegExp(`\\b(?:${alternatives(PERIOD_WORDS)})\\b`)
const COUNT_OF_ROOM = new RegExp(`(?<![\\d.,])${NUMBER}(?=[kmgtp]i?[bo]\\b|[a-z]*bytes?\\b)`)
const COUNT_OF_UNITS = new RegExp(
  `${PER}(1[.,' ]?000(?:[.,' ]?000)?|10[.,' ]?000|100)(?!\\s*(?:hours?|h)\\b)`,
)

const EACH: readonly (readonly [RegExp, 'vcpu' | 'core'])[] = [
  [new RegExp(`${PER}v ?(?:cpus?|cores?)\\b|\\bvcpus?[ /]+(?:hours?|h|stunden?|months?)\\b`), 'vcpu'],
  [
    new RegExp(
      `${PER}(?:physical |physischer )?(?:cores?|kerne?|coeurs?|nucleos?)\\b|\\bcores?[ /]+(?:hours?|h)\\b`,
    ),
    'core',
  ],
]

const PARTS: readonly (readonly [RegExp, number])[] = [
  [/\b(micros?|millionths?|microunits?)\b/, 1_000_000],
  [/\b(millis?|mills?|thousandths?)\b/, 1_000],
  [/\b(cents?|ct|cts|pence|centimes?|centavos?|centimos?|paise|ore)\b/, 100],
]

const plain = (text: string): string =>
  text
    // In names such as perMonth; in GiB there is one word.
    .replace(/([a-z])([A-Z])(?=[a-z])/g, '$1 $2')
    .normalize('NFKD')
    .replace(/\p{M}/gu, '')
    .toLowerCase()
    .replace(/[_-]+/g, ' ')

/** Empty where the first `LONGEST_CELL` characters of a text say nothing of it. */
export function priceUnitIn(wholeText: string): PriceUnit {
  const text = wholeText.slice(0, LONGEST_CELL)
  const words = plain(text)
  const counted = COUNTED.exec(words)
  const number = counted && wholeOf(counted[1]!)
  const period = periodOf(words, counted)
  const room = roomUnitIn(text)
  const ofRoom = COUNT_OF_ROOM.exec(words)
  const ofUnits = COUNT_OF_UNITS.exec(words)
  const count =
    number && !isPrintedMonth(number, counted) ? number : wholeOf(ofRoom?.[1] ?? ofUnits?.[1] ?? '')
  const each = EACH.find(([sign]) => sign.test(words))?.[1]
  const parts = PARTS.find(([sign]) => sign.test(words))?.[1]
  return {
    ...(period && { period }),
    ...(room && { room }),
    ...(each && { each }),
    ...(count !== undefined && count > 1 && { count }),
    ...(parts !== undefined && { parts }),
  }
}

const isPrintedMonth = (number: number | undefined, counted: RegExpExecArray | null): boolean =>
  number === 730 && counted?.groups?.hour !== undefined

function periodOf(words: string, counted: RegExpExecArray | null): PricePeriod | undefined {
  if (counted) return isPrintedMonth(wholeOf(counted[1]!), counted) ? '730-hours' : namedIn(counted)
  const compound = COMPOUNDS.find(([sign]) => sign.test(words))
  return namedIn(SAID_PER.exec(words)) ?? compound?.[1] ?? namedIn(ALONE.exec(words))
}

const namedIn = (match: RegExpExecArray | null): Named | undefined =>
  PERIODS.find((period) => ownValue(match?.groups, period) !== undefined)

/** Digits with marks between groups; undefined where there are none, or too many. */
function wholeOf(text: string): number | undefined {
  const digits = text.replace(/\D/g, '')
  return digits === '' || digits.length > 9 ? undefined : Number(digits)
}

const PER_ROOM = new RegExp(
  `${PER}(?:\\d[\\d.,' ]*)?(?:[kmgtp]i?[bo]\\b|[a-z]*bytes?\\b)|\\b[kmgtp]i?b[ /]+(?:hours?|h|stunden?|months?)\\b`,
)

/** Whether a price is for each GiB or so of something: `EUR per GiB-hour`, and not `16 GB, EUR/h`. */
export const isPerRoom = (text: string): boolean => PER_ROOM.test(plain(text.slice(0, LONGEST_CELL)))

/** What of one a more particular text leaves unsaid: a cell that names its period is counted anew. */
export function unitWithin(own: PriceUnit, wider: PriceUnit): PriceUnit {
  const { period: _, count: __, parts: ___, ...beside } = own
  if (own.period === undefined && own.count === undefined && own.parts === undefined)
    return { ...wider, ...beside }
  const isSame = own.period === undefined || own.period === wider.period
  const { count = isSame ? wider.count : undefined, parts = isSame ? wider.parts : undefined } = own
  const period = own.period ?? wider.period
  const room = own.room ?? wider.room
  const each = own.each ?? wider.each
  return {
    ...(period && { period }),
    ...(room && { room }),
    ...(each && { each }),
    ...(count !== undefined && { count }),
    ...(parts !== undefined && { parts }),
  }
}
