import { MONTH_READINGS, type MonthReading } from '../../core/calendar/billingMonth.ts'
import { formatDate, parseDate, type DayNumber } from '../../core/calendar/civil.ts'
import { parseYearMonth, type YearMonth } from '../../core/calendar/yearMonth.ts'
import { FIELD_MEASURES, type FieldMeasure } from '../../core/market/fieldMeasure.ts'
import { LEAST_SPAN, WHOLE_FIELD, type FieldPart } from '../../core/market/fieldPart.ts'
import { OFFER_GROUPINGS, type OfferGrouping } from '../../core/market/offerGrouping.ts'
import { offerKey, type OfferName } from '../../core/market/offerName.ts'
import { FOLDS, type Fold } from '../../core/ledger/fold.ts'
import {
  SHARE_FOLDS,
  SHARE_ORDERS,
  type ShareFold,
  type ShareOrder,
} from '../../core/wholePlan/foldShares.ts'
import { isPlateId, type PlateId } from '../../core/machine/decision.ts'
import { TAG_KEY } from '../../core/machine/plan.ts'
import { METERS, type Meter } from '../../core/meter/charge.ts'
import { POWER_STATES, type PowerState } from '../../core/off/powerState.ts'
import { VIEWS, type View } from './views.ts'

/** What the address bar holds: enough to open the same screen again. */
export interface Address {
  readonly machine: string | undefined
  readonly view: View
  readonly month: YearMonth | undefined
  readonly reading: MonthReading
  readonly ledger: LedgerAddress
  readonly bench: BenchAddress
  readonly market: MarketAddress
  readonly mix: MixAddress
  /** Id of a provider and an edition of its book; the open machine's own when absent. */
  readonly book: BookAddress | undefined
  /** The day of the month that is open, as a date. */
  readonly day: DayNumber | undefined
  /** The plate whose list of choices is open. */
  readonly list: PlateId | undefined
  /** JSON Pointer of a rate in the book, which is set off. */
  readonly rate: string | undefined
}

export interface LedgerAddress {
  readonly of: 'machine' | 'plan'
  readonly fold: Fold
  /** Empty lets all through. */
  readonly meters: readonly Meter[]
  readonly states: readonly PowerState[]
}

interface BenchAddress {
  readonly fold: ShareFold
  readonly order: ShareOrder
}

interface MarketAddress {
  readonly drawing: MarketDrawing
  /** What stands down the field; what suits the machine when absent. */
  readonly measure: FieldMeasure | undefined
  /** What the best of each is listed of; all of the cheapest when absent. */
  readonly best: OfferGrouping | undefined
  readonly part: FieldPart
  /** Only on terms that bind nobody and promise their hours. */
  readonly uncommitted: boolean
  readonly picked: OfferName | undefined
}

/** What the market is drawn as: by cost and a measure, or on a map. */
const MARKET_DRAWINGS = ['field', 'map'] as const
export type MarketDrawing = (typeof MARKET_DRAWINGS)[number]

/** At so few providers and places a whole plan is to run. */
interface MixAddress {
  readonly providers: number
  readonly places: number
  /** Only on terms that bind nobody and promise their hours: nobody moves a whole plan to machines that are taken away. */
  readonly uncommitted: boolean
}

export const MOST_MIXED = 4

interface BookAddress {
  readonly provider: string
  readonly edition: string
  /** An earlier edition that it is compared with. */
  readonly against?: string | undefined
}

const LONGEST = 200

const short = (text: string | null, most: number): string | undefined =>
  text !== null && text.length <= most ? text : undefined

const among = <T extends string>(all: readonly T[], text: string | null): T | undefined =>
  all.find((each) => each === text)

const listed = <T extends string>(all: readonly T[], text: string | null): T[] => {
  const wanted = new Set(short(text, LONGEST)?.split(',') ?? [])
  return all.filter((each) => wanted.has(each))
}

const plateOf = (text: string | null): PlateId | undefined =>
  text !== null && isPlateId(text) ? text : undefined

const foldOf = (text: string | null): ShareFold | undefined =>
  text?.startsWith('tag:') && TAG_KEY.test(text.slice('tag:'.length))
    ? (text as ShareFold)
    : among(SHARE_FOLDS, text)

/** Shares of the field in thousandths, from the left, the right, the top and the bottom. */
function partOf(text: string | null): FieldPart {
  const [left, right, top, bottom, more] = (short(text, 40) ?? '')
    .split(',')
    .map((each) => Number(each) / 1_000)
  const isPart = more === undefined && isSpan(left, right) && isSpan(top, bottom)
  return isPart ? { left: left!, right: right!, top: top!, bottom: bottom! } : WHOLE_FIELD
}

const isSpan = (from: number | undefined, to: number | undefined): boolean =>
  from !== undefined && to !== undefined && from >= 0 && to <= 1 && to - from >= LEAST_SPAN

const mixed = (text: string | null): number => {
  const count = Number(text)
  return Number.isInteger(count) && count >= 1 && count <= MOST_MIXED ? count : 2
}

const writePart = ({ left, right, top, bottom }: FieldPart): string =>
  [left, right, top, bottom].map((share) => Math.round(share * 1_000)).join(',')

function offerOf(text: string | null): OfferName | undefined {
  const [provider, region, size, terms, more] = (short(text, LONGEST) ?? '').split('/')
  return provider && region && size && terms && more === undefined
    ? { provider, region, size, terms }
    : undefined
}

/** Reads a query; whatever it cannot be is left out. */
export function readAddress(query: URLSearchParams): Address {
  const provider = short(query.get('provider'), 64)
  const edition = short(query.get('edition'), 40)
  const against = short(query.get('against'), 40)
  return {
    machine: short(query.get('machine'), 60),
    // The plan first; a link to a machine opens its gauge.
    view: VIEWS.find(({ id }) => id === query.get('view'))?.id ?? (query.has('machine') ? 'gauge' : 'bench'),
    month: parseYearMonth(query.get('month') ?? ''),
    reading: among(MONTH_READINGS, query.get('reading')) ?? 'calendar',
    ledger: {
      of: among(['machine', 'plan'], query.get('of')) ?? 'machine',
      fold: among(FOLDS, query.get('fold')) ?? 'meter',
      meters: listed(METERS, query.get('meters')),
      states: listed(POWER_STATES, query.get('states')),
    },
    bench: {
      fold: foldOf(query.get('by')) ?? 'machine',
      order: among(SHARE_ORDERS, query.get('sort')) ?? 'total',
    },
    market: {
      drawing: among(MARKET_DRAWINGS, query.get('drawing')) ?? 'field',
      measure: among(FIELD_MEASURES, query.get('down')),
      best: among(OFFER_GROUPINGS, query.get('best')),
      part: partOf(query.get('part')),
      uncommitted: query.get('terms') === 'free',
      picked: offerOf(query.get('offer')),
    },
    mix: {
      providers: mixed(query.get('providers')),
      places: mixed(query.get('places')),
      uncommitted: query.get('terms') !== 'any',
    },
    book:
      provider !== undefined && edition !== undefined
        ? { provider, edition, ...(against !== undefined && { against }) }
        : undefined,
    day: parseDate(query.get('day') ?? ''),
    list: plateOf(query.get('list')),
    rate: short(query.get('rate'), LONGEST),
  }
}

export function writeAddress({
  machine,
  view,
  month,
  reading,
  ledger,
  bench,
  market,
  mix,
  book,
  day,
  list,
  rate,
}: Address): string {
  const query = new URLSearchParams()
  if (machine !== undefined) query.set('machine', machine)
  query.set('view', view)
  if (month !== undefined) query.set('month', month)
  if (reading !== 'calendar') query.set('reading', reading)
  if (view === 'month' && day !== undefined) query.set('day', formatDate(day))
  if (view === 'gauge' && list !== undefined) query.set('list', list)
  if (view === 'bench') {
    if (bench.fold !== 'machine') query.set('by', bench.fold)
    if (bench.order !== 'total') query.set('sort', bench.order)
  }
  if (view === 'mix') {
    if (mix.providers !== 2) query.set('providers', String(mix.providers))
    if (mix.places !== 2) query.set('places', String(mix.places))
    if (!mix.uncommitted) query.set('terms', 'any')
  }
  if (view === 'market') {
    if (market.drawing !== 'field') query.set('drawing', market.drawing)
    if (market.measure !== undefined) query.set('down', market.measure)
    if (market.best !== undefined) query.set('best', market.best)
    if (market.part !== WHOLE_FIELD) query.set('part', writePart(market.part))
    if (market.uncommitted) query.set('terms', 'free')
    if (market.picked !== undefined) query.set('offer', offerKey(market.picked))
  }
  if (view === 'ledger') {
    if (ledger.of !== 'machine') query.set('of', ledger.of)
    if (ledger.fold !== 'meter') query.set('fold', ledger.fold)
    if (ledger.meters.length > 0) query.set('meters', ledger.meters.join(','))
    if (ledger.states.length > 0) query.set('states', ledger.states.join(','))
  }
  if (view === 'book' || view === 'prices') {
    if (book) {
      query.set('provider', book.provider)
      query.set('edition', book.edition)
      if (view === 'prices' && book.against !== undefined) query.set('against', book.against)
    }
    if (view === 'book' && rate !== undefined) query.set('rate', rate)
  }
  return `/?${query.toString()}`
}
