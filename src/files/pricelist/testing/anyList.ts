import fc from 'fast-check'
import { seeded } from './inventedList.ts'

/** One price of a list that was made up: what it truly is. */
export interface MadePrice {
  readonly size: string
  readonly vcpu: number
  readonly memoryGiB: number
  readonly place: string
  /** For an hour or a calendar month, times ten to the sixth, of which the list may print less. */
  readonly millionths: bigint
  /** How many of the true unit the printed period holds: what was printed is for so many hours or months. */
  readonly per: 'hour' | 'month'
  readonly currency: string
}

export interface MadeList {
  readonly files: readonly { readonly name: string; readonly content: string }[]
  readonly prices: readonly MadePrice[]
  /** How it is written, for whoever reads a failure. */
  readonly habits: Habits
}

interface Words {
  readonly size: string
  readonly vcpu: string
  readonly memory: string
  readonly place: string
  readonly price: string
  readonly former: string
  readonly gross: string
  readonly from: string
  readonly unit: string
  readonly per: Readonly<Record<Printed['word'], string>>
}

const LANGUAGES: readonly Words[] = [
  {
    size: 'Machine',
    vcpu: 'vCPU',
    memory: 'Memory',
    place: 'Location',
    price: 'Price',
    former: 'Former price',
    gross: 'Price incl. VAT',
    from: 'Valid from',
    unit: 'Unit',
    per: {
      minute: 'per minute',
      hour: 'per hour',
      day: 'per day',
      week: 'per week',
      month: 'per month',
      year: 'per year',
    },
  },
  {
    size: 'Rechner',
    vcpu: 'vCPU',
    memory: 'Arbeitsspeicher',
    place: 'Standort',
    price: 'Preis',
    former: 'Alter Preis',
    gross: 'Preis inkl. MwSt',
    from: 'Gültig ab',
    unit: 'Einheit',
    per: {
      minute: 'je Minute',
      hour: 'je Stunde',
      day: 'pro Tag',
      week: 'pro Woche',
      month: 'pro Monat',
      year: 'pro Jahr',
    },
  },
  {
    size: 'Modèle',
    vcpu: 'vCPU',
    memory: 'Mémoire',
    place: 'Lieu',
    price: 'Prix',
    former: 'Ancien prix',
    gross: 'Prix TTC',
    from: 'Valable dès',
    unit: 'Unité',
    per: {
      minute: 'par minute',
      hour: 'par heure',
      day: 'par jour',
      week: 'par semaine',
      month: 'par mois',
      year: 'par an',
    },
  },
  {
    size: 'Máquina',
    vcpu: 'vCPU',
    memory: 'Memoria',
    place: 'Ubicación',
    price: 'Precio',
    former: 'Precio anterior',
    gross: 'Precio IVA incl.',
    from: 'Válido desde',
    unit: 'Unidad',
    per: {
      minute: 'por minuto',
      hour: 'por hora',
      day: 'por día',
      week: 'por semana',
      month: 'por mes',
      year: 'por año',
    },
  },
  {
    size: 'Naam',
    vcpu: 'vCPU',
    memory: 'Geheugen',
    place: 'Locatie',
    price: 'Prijs',
    former: 'Vorige prijs',
    gross: 'Prijs incl. BTW',
    from: 'Geldig vanaf',
    unit: 'Eenheid',
    per: {
      minute: 'per minuut',
      hour: 'per uur',
      day: 'per dag',
      week: 'per week',
      month: 'per maand',
      year: 'per jaar',
    },
  },
]

/** What a printed price is for: `times` of the true unit. */
interface Printed {
  readonly word: 'minute' | 'hour' | 'day' | 'week' | 'month' | 'year'
  /** `10 hours`; one where the word stands alone. */
  readonly count: number
}

/** Numerator and denominator of true units that a printed period holds. */
const HOLDS: Readonly<Record<Printed['word'], readonly [per: 'hour' | 'month', n: bigint, d: bigint]>> = {
  minute: ['hour', 1n, 60n],
  hour: ['hour', 1n, 1n],
  day: ['hour', 24n, 1n],
  week: ['hour', 168n, 1n],
  month: ['month', 1n, 1n],
  year: ['month', 12n, 1n],
}

const MARKS = [
  ['.', ''],
  ['.', ','],
  [',', ''],
  [',', '.'],
  [',', '\u202f'],
  ['.', '’'],
] as const

const SIGNS: Readonly<Record<string, string>> = { EUR: '€', GBP: '£', INR: '₹', CHF: 'CHF', PLN: 'zł' }
const PLACES = ['Porto', 'Leeds', 'Gdynia', 'Kobe', 'Halifax']
const NAMES = ['Alder', 'Birch', 'Cedar', 'Hazel', 'Rowan']

const anyHabits = fc.record({
  seed: fc.integer({ min: 1, max: 2_000_000_000 }),
  language: fc.nat(LANGUAGES.length - 1),
  marks: fc.constantFrom(...MARKS),
  separator: fc.constantFrom(',', ';', '\t', '|'),
  period: fc.oneof(
    {
      weight: 3,
      arbitrary: fc.constantFrom<Printed>({ word: 'hour', count: 1 }, { word: 'month', count: 1 }),
    },
    {
      weight: 2,
      arbitrary: fc.constantFrom<Printed>(
        { word: 'minute', count: 1 },
        { word: 'day', count: 1 },
        { word: 'week', count: 1 },
        { word: 'year', count: 1 },
        { word: 'hour', count: 10 },
        { word: 'hour', count: 100 },
        { word: 'hour', count: 720 },
      ),
    },
  ),
  periodIn: fc.constantFrom('heading', 'cell', 'unit column', 'title'),
  currency: fc.constantFrom(...Object.keys(SIGNS)),
  currencyIn: fc.constantFrom('heading', 'cell before', 'cell behind', 'column', 'title'),
  parts: fc.constantFrom(1, 1, 1, 100),
  memoryUnit: fc.constantFrom('GiB', 'GB', 'MiB', 'MB', 'mixed'),
  memoryIn: fc.constantFrom('heading', 'cell'),
  placesAs: fc.constantFrom('column', 'sections', 'files', 'across'),
  titles: fc.nat(2),
  former: fc.boolean(),
  gross: fc.boolean(),
  code: fc.boolean(),
  accelerator: fc.boolean(),
  dates: fc.constantFrom(undefined, 'iso', 'points', 'day first', 'month first', 'words'),
  /** Digits of the dearest price before its mark. */
  scale: fc.constantFrom(0, 1, 2, 3),
})
type Habits = typeof anyHabits extends fc.Arbitrary<infer Drawn> ? Drawn : never

/** A price list in some language, written by random habits, with the truth that it was made of. */
export const anyList: fc.Arbitrary<MadeList> = anyHabits.map(madeList)

const TEN_TO_SIX = 1_000_000n

/** Decimals with a mark, and groups of three where they are asked for. */
function printed(millionths: bigint, [mark, group]: readonly [string, string], digits: number): string {
  const text = String(millionths).padStart(7, '0')
  const [whole, fraction] = [text.slice(0, -6), text.slice(-6, text.length - 6 + digits)]
  const grouped = group === '' ? whole : whole.replace(/\B(?=(\d{3})+$)/g, group)
  return digits === 0 ? grouped : `${grouped}${mark}${fraction}`
}

function dateText(style: Habits['dates'], [year, month, day]: readonly [number, number, number]): string {
  const two = (value: number): string => String(value).padStart(2, '0')
  switch (style) {
    case 'points':
      return `${day}.${month}.${year}`
    case 'day first':
      return `${two(day)}/${two(month)}/${year}`
    case 'month first':
      return `${month}/${day}/${year} 12:00 AM`
    case 'words':
      return `${day} ${['January', 'February', 'March', 'April', 'May', 'June'][month - 1]!} ${year}`
    default:
      return `${year}-${two(month)}-${two(day)}`
  }
}

const cellOf = (text: string, separator: string): string =>
  text.includes(separator) || text.includes('"') ? `"${text.replaceAll('"', '""')}"` : text

function madeList(habits: Habits): MadeList {
  const random = seeded(habits.seed)
  const { period, currency, parts, separator, marks } = habits
  const words = LANGUAGES[habits.language]!
  const [per, holds, of] = HOLDS[period.word]
  const places = PLACES.slice(0, 2 + Math.floor(random() * 3))
  const sign = SIGNS[currency]!
  const isCode = sign === currency
  const unitText = period.count === 1 ? words.per[period.word] : `per ${period.count} hours`
  const money = parts === 100 ? 'cents' : ''
  // Prices across stand under the names of their places; cents are said where the price is called.
  const isAcross = habits.placesAs === 'across'
  const digits = habits.scale >= 3 ? 2 : 4
  const prices: MadePrice[] = []
  const sizes = NAMES.flatMap((name) =>
    [1, 2, 4, 16].map((vcpu) => ({ name: `${name} ${vcpu}`, vcpu, memory: vcpu * (name < 'C' ? 2 : 4) })),
  ).slice(0, 6 + Math.floor(random() * 12))
  const amount = (vcpu: number): bigint => {
    const step = 10n ** BigInt(6 - digits)
    const base = BigInt(Math.round((20_000 + random() * 8_000) * vcpu)) * 10n ** BigInt(habits.scale)
    return (base / step) * step + step
  }
  const priceText = (millionths: bigint): string => {
    const text = printed(millionths, marks, digits)
    const behind = habits.periodIn === 'cell' ? ` ${unitText}` : ''
    const cents = money !== '' && habits.currencyIn.startsWith('cell') ? ` ${money}` : ''
    if (habits.currencyIn === 'cell before') return `${sign}${isCode ? ' ' : ''}${text}${cents}${behind}`
    if (habits.currencyIn === 'cell behind')
      return `${text} ${cents === '' ? sign : `${cents.trim()} (${currency})`}${behind}`
    return `${text}${behind}`
  }
  const memoryText = (gib: number): string => {
    const unit = habits.memoryUnit === 'mixed' ? (gib < 8 ? 'MiB' : 'GiB') : habits.memoryUnit
    const value = unit.startsWith('M') ? gib * 1_024 : gib
    return habits.memoryIn === 'cell' || habits.memoryUnit === 'mixed' ? `${value} ${unit}` : String(value)
  }
  const headUnit = habits.periodIn === 'heading' ? ` ${unitText}` : ''
  const headMoney = [
    ...(habits.currencyIn === 'heading' ? [isCode || parts === 100 ? currency : sign] : []),
    ...(money !== '' && !habits.currencyIn.startsWith('cell') ? [money] : []),
  ].join(' ')
  const heading = (name: string): string => `${name}${headUnit}${headMoney === '' ? '' : ` (${headMoney})`}`
  const isInMemoryHeading = habits.memoryIn === 'heading' && habits.memoryUnit !== 'mixed'
  const headings = [
    ...(habits.code ? ['SKU'] : []),
    words.size,
    ...(habits.accelerator ? ['GPU memory'] : []),
    words.vcpu,
    isInMemoryHeading ? `${words.memory} (${habits.memoryUnit})` : words.memory,
    ...(habits.placesAs === 'column' ? [words.place] : []),
    ...(habits.former && !isAcross ? [heading(words.former)] : []),
    ...(isAcross ? places.map(heading) : [heading(words.price)]),
    ...(habits.gross && !isAcross ? [heading(words.gross)] : []),
    ...(habits.periodIn === 'unit column' ? [words.unit] : []),
    ...(habits.currencyIn === 'column' ? ['Currency'] : []),
    ...(habits.dates && !isAcross ? [words.from] : []),
  ]
  const title = [
    ...(habits.periodIn === 'title' ? [unitText] : []),
    ...(habits.currencyIn === 'title' ? [currency] : []),
  ]
  const above = [
    ...(title.length > 0 ? [`${words.price} ${title.join(', ')}`] : []),
    ...Array.from({ length: habits.titles }, (_, i) => `Larch list ${'AB'[i]!}`),
  ]
  let code = 4_000
  const rowOf = (
    size: (typeof sizes)[number],
    amounts: readonly bigint[],
    place: string,
    date: string,
  ): string[] => [
    ...(habits.code ? [`Q${(code += 7)}`] : []),
    size.name,
    ...(habits.accelerator ? [size.vcpu > 2 ? '24 GB' : ''] : []),
    String(size.vcpu),
    memoryText(size.memory),
    ...(habits.placesAs === 'column' ? [place] : []),
    ...(habits.former && !isAcross ? [priceText(amounts[0]! * 3n)] : []),
    ...amounts.map(priceText),
    ...(habits.gross && !isAcross ? [priceText((amounts[0]! * 5n) / 4n)] : []),
    ...(habits.periodIn === 'unit column' ? [period.count === 1 ? unitText : `${period.count} hours`] : []),
    ...(habits.currencyIn === 'column' ? [currency] : []),
    ...(habits.dates && !isAcross ? [date] : []),
  ]
  const add = (size: (typeof sizes)[number], place: string, millionths: bigint): void => {
    prices.push({
      size: size.name,
      vcpu: size.vcpu,
      memoryGiB: size.memory,
      place,
      per,
      currency,
      // Times a thousandth more digits would not be exact for some; whoever compares allows for the last digit.
      millionths: (millionths * TEN_TO_SIX * of) / (holds * BigInt(period.count * parts)),
    })
  }
  const bodyOf = (place: string): string[][] =>
    sizes.flatMap((size) => {
      const millionths = amount(size.vcpu)
      add(size, place, millionths)
      const now = rowOf(size, [millionths], place, dateText(habits.dates, [2027, 2, 1]))
      return habits.dates
        ? [rowOf(size, [millionths * 2n], place, dateText(habits.dates, [2026, 1, 31])), now]
        : [now]
    })
  const written = (rows: readonly (readonly string[])[]): string =>
    rows.map((row) => row.map((cell) => cellOf(cell, separator)).join(separator)).join('\n')
  const wide = (text: string): string[] => [text, ...headings.slice(1).map(() => '')]
  const top = [...above.map(wide), headings]
  const files = ((): MadeList['files'] => {
    if (habits.placesAs === 'files')
      return places.map((place) => ({ name: `${place}.csv`, content: written([...top, ...bodyOf(place)]) }))
    if (isAcross) {
      const rows = sizes.map((size) => {
        const amounts = places.map((place) => {
          const millionths = amount(size.vcpu)
          add(size, place, millionths)
          return millionths
        })
        return rowOf(size, amounts, '', '')
      })
      return [{ name: 'list.csv', content: written([...top, ...rows]) }]
    }
    const rows = places.flatMap((place) => [
      ...(habits.placesAs === 'sections' ? [wide(place)] : []),
      ...bodyOf(place),
    ])
    return [{ name: 'list.csv', content: written([...top, ...rows]) }]
  })()
  return { files, prices, habits }
}
