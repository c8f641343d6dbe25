import { focusUnit } from '../bill/focusUnit.ts'
import { columnTraits, tableMarks, type ColumnTraits } from '../table/columnTraits.ts'
import { wordsIn } from '../quantity/wordsIn.ts'
import { SECONDS_PER_DAY } from '../quantity/units.ts'
import { currencyIn } from '../table/currencyText.ts'
import { decimalMarkOf, markEvidence, markOfLanguage } from '../table/decimalMark.ts'
import { dateOrderOf, readDate, type DateOrder } from '../table/readDate.ts'
import { readTime } from '../table/readTime.ts'
import { zoneOffsets } from '../calendar/zoneOffsets.ts'
import { priceUnitIn, type PricePeriod } from '../table/priceUnit.ts'
import { roomUnitIn } from '../table/roomUnit.ts'
import { BILL_FIELD_WORDS, USE_WORDS } from './billWords.ts'
import {
  MOST_KINDS,
  MOST_UNITS,
  type BillField,
  type BillMapping,
  type BillSource,
  type RowUse,
} from './billMapping.ts'

/** The beginning of a bill. */
export interface BillSample {
  readonly headings: readonly string[]
  readonly rows: readonly (readonly string[])[]
}

/** A first mapping, and what of it nothing in the file tells. */
export interface ProposedBillMapping {
  readonly mapping: BillMapping
  readonly unsure: readonly ('dates' | 'decimalMark')[]
}

const UTC = zoneOffsets('Etc/UTC')
const LEAST_SHARE = 0.6

/**
 * What the columns of a bill are likely to mean, by their headings and by what stands in them. All of it is to be looked at:
 * a row whose kind says nothing known is left out until somebody says what it is. O(cells).
 */
export function proposeBillMapping({ headings, rows }: BillSample, provider: string): ProposedBillMapping {
  const marks = tableMarks(rows, markOfLanguage(headings))
  const traits = headings.map((heading, i) =>
    columnTraits(
      heading,
      rows.map((row) => row[i] ?? ''),
      marks,
    ),
  )
  const dates = orderOf(traits)
  const free = new Set(traits)
  const take = (field: BillField, fits: (each: ColumnTraits) => boolean): ColumnTraits | undefined => {
    const known = [...BILL_FIELD_WORDS[field]]
    const rank = ({ words }: ColumnTraits): number =>
      Math.min(...words.map((word) => known.indexOf(word)).filter((at) => at >= 0))
    const [found] = [...free]
      .filter((each) => fits(each) && Number.isFinite(rank(each)))
      .sort((a, b) => rank(a) - rank(b))
    if (found) free.delete(found)
    return found
  }
  const isTime = ({ filled }: ColumnTraits): boolean =>
    filled.length > 0 &&
    filled.filter((cell) => readTime(cell, dates.order, UTC)).length >= filled.length * LEAST_SHARE
  const isFigure = ({ numbers, filled }: ColumnTraits): boolean => filled.length > 0 && numbers >= LEAST_SHARE
  const isText = (each: ColumnTraits): boolean => each.filled.length > 0 && !isTime(each)
  const isWord = (each: ColumnTraits): boolean => isText(each) && each.letters > 0.5
  const end = take('end', isTime)
  const found: readonly (readonly [BillField, ColumnTraits | undefined])[] = [
    ['end', end],
    ['start', take('start', isTime) ?? firstOf(free, isTime)],
    ['currency', take('currency', isCurrency) ?? firstOf(free, isCurrency)],
    ['unitPrice', take('unitPrice', isFigure)],
    ['cost', take('cost', (each) => isFigure(each) && !isTaxed(each)) ?? take('cost', isFigure)],
    [
      'unit',
      take('unit', (each) => isWord(each) && each.distinct.some((text) => unitOf(text) !== undefined)),
    ],
    ['quantity', take('quantity', isFigure)],
    ['vcpu', take('vcpu', isFigure)],
    ['memory', take('memory', isFigure)],
    ['system', take('system', isWord)],
    ['zone', take('zone', isText)],
    ['region', take('region', isWord)],
    [
      'kind',
      take('kind', (each) => isWord(each) && each.distinct.some((text) => useOf(text) !== 'left-out')),
    ],
    ['resource', take('resource', isText)],
    ['name', take('name', isText)],
    ['size', take('size', isWord)],
  ]
  const fields: { [Field in BillField]?: BillSource } = {}
  for (const [field, each] of found) if (each) fields[field] = { from: 'column', column: each.column }
  const cost = found.find(([field]) => field === 'cost')?.[1]
  if (!fields.currency) {
    const said = [...(cost ? [cost.column, ...cost.filled.slice(0, 50)] : []), ...headings].find(currencyIn)
    if (said) fields.currency = { from: 'constant', text: currencyIn(said)!.codes[0] }
  }
  const { mark, isSure } = cost ? cost.mark : decimalMarkOf(marks.evidence, markEvidence([]), marks.otherwise)
  // A name alone is a resource as well as any number.
  const other = fields.resource ?? fields.name ?? columnOf(firstOf(free, isText))
  if (other) fields.resource = other
  const mapping: BillMapping = {
    provider,
    fields,
    ...wordsOf(fields, { headings, rows }),
    dates: dates.order,
    decimalMark: mark,
    ...(!fields.end &&
      isByTheDay(found.find(([field]) => field === 'start')?.[1], dates.order) && { lasts: 'day' as const }),
    tags: traits
      .filter((each) => (each.words[0] === 'tag' || each.words[0] === 'tags') && !isTime(each))
      .map(({ column }) => column),
  }
  return {
    mapping,
    unsure: [...(dates.isSure ? [] : (['dates'] as const)), ...(isSure ? [] : (['decimalMark'] as const))],
  }
}

/** What kinds and units read, and what each is likely to be: said anew where another column is chosen. */
export function wordsOf(
  fields: BillMapping['fields'],
  { headings, rows }: BillSample,
): Pick<BillMapping, 'kinds' | 'units'> {
  const textsOf = (source: BillSource | undefined): string[] => {
    if (!source) return []
    if (source.from === 'constant') return [source.text]
    const at = headings.indexOf(source.column)
    return [...new Set(rows.map((row) => (row[at] ?? '').trim()))]
  }
  return {
    kinds: textsOf(fields.kind)
      .slice(0, MOST_KINDS)
      .map((text) => ({ text, is: useOf(text) })),
    units: textsOf(fields.unit)
      .slice(0, MOST_UNITS)
      .flatMap((text) => {
        const is = unitOf(text)
        return is === undefined || is === text ? [] : [{ text, is }]
      }),
  }
}

const columnOf = (found: ColumnTraits | undefined): BillSource | undefined =>
  found && { from: 'column', column: found.column }

const firstOf = (
  free: Set<ColumnTraits>,
  fits: (each: ColumnTraits) => boolean,
): ColumnTraits | undefined => {
  const found = [...free].find(fits)
  if (found) free.delete(found)
  return found
}

const isCurrency = ({ distinct }: ColumnTraits): boolean =>
  distinct.length > 0 && distinct.every((text) => text.length <= 16 && !/\d/.test(text) && currencyIn(text))

/** What the words of a row’s kind say that it is. */
export function useOf(text: string): RowUse {
  const said = wordsIn(text.toLowerCase())
  return USE_WORDS.find(([, known]) => said.some((word) => known.has(word)))?.[0] ?? 'left-out'
}

const FOCUS_TIMES: Readonly<Record<PricePeriod, string | undefined>> = {
  second: 'Seconds',
  minute: 'Minutes',
  hour: 'Hours',
  day: 'Days',
  week: 'Weeks',
  '730-hours': undefined,
  month: 'Months',
  year: 'Years',
}

const THINGS: readonly (readonly [RegExp, string])[] = [
  [/\bv?cpus?\b/i, 'vCPU'],
  [/\bcores?\b/i, 'Core'],
]

/** A unit as FOCUS writes it: `GiB-Months` of “GiB per month”; undefined where no word of it is known. */
export function unitOf(text: string): string | undefined {
  if (focusUnit(text)?.time !== undefined) return text
  const counted = /^(\d[\d.,']*)\s+(.+)$/.exec(text.trim())
  if (counted) {
    const count = counted[1]!.replace(/\D/g, '')
    const one = unitOf(counted[2]!)
    return one === undefined || count.length > 9
      ? undefined
      : Number(count) === 1
        ? one
        : `${Number(count)} ${one}`
  }
  const { period } = priceUnitIn(`per ${text}`)
  const time = period && FOCUS_TIMES[period]
  const thing = roomUnitIn(text) ?? THINGS.find(([sign]) => sign.test(text))?.[1]
  return thing !== undefined && time !== undefined ? `${thing}-${time}` : (thing ?? time)
}

/** Whether all times of a column are of one and the same minute of a day, in several days. */
function isByTheDay(start: ColumnTraits | undefined, order: DateOrder): boolean {
  const times = (start?.distinct ?? []).flatMap((text) => readTime(text, order, UTC) ?? [])
  const clocks = new Set(times.map(({ at }) => at % SECONDS_PER_DAY))
  return times.length > 1 && clocks.size === 1 && times.some(({ at, ends }) => ends - at < SECONDS_PER_DAY)
}

/** Without tax before with it. */
const isTaxed = ({ words }: ColumnTraits): boolean =>
  words.some((word) => /^(gross|brutto|bruto|brut|ttc|incl|inkl|including)$/.test(word))

/**
 * Where some dates can be read in one order only, that one; else the one in which the bill's days lie nearer together, since
 * a bill is of a month or so. Sure where nothing is open.
 */
function orderOf(traits: readonly ColumnTraits[]): { readonly order: DateOrder; readonly isSure: boolean } {
  const cells = traits.flatMap(({ distinct }) => distinct.slice(0, 400))
  const { order, open } = dateOrderOf(cells)
  if (order) return { order, isSure: true }
  const spanBy = (by: DateOrder): number => {
    const days = cells.flatMap((cell) => {
      const read = readDate(cell, by)
      return /^\d{1,2}[/-]/.test(cell) && read.ok ? [Date.parse(read.value)] : []
    })
    return days.length === 0 ? 0 : Math.max(...days) - Math.min(...days)
  }
  const [dayFirst, monthFirst] = [spanBy('day-first'), spanBy('month-first')]
  return { order: monthFirst < dayFirst ? 'month-first' : 'day-first', isSure: !open }
}
