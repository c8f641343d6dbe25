import type { LeftOut } from '../core/pricelist/listEntry.ts'
import type { ListField, ListUnits, RowKind } from '../core/pricelist/listMapping.ts'
import { PARTS_OF_MONEY, type PricePeriod } from '../core/table/priceUnit.ts'
import type { DateOrder } from '../core/table/readDate.ts'

export const LIST_FIELD_NAMES = {
  size: 'size',
  vcpu: 'vCPU',
  memory: 'memory',
  architecture: 'built as',
  family: 'family',
  localDisk: 'own disk, GiB',
  mostDisks: 'most disks',
  iops: 'IOPS',
  throughput: 'MB/s',
  network: 'network, Mbit/s',
  place: 'place',
  zone: 'zone',
  system: 'system',
  term: 'terms',
  payment: 'how paid',
  upFront: 'paid up front',
  disk: 'kind of disk',
  room: 'room',
  bandFrom: 'band from',
  bandUpTo: 'band up to',
  use: 'while',
  price: 'price',
  unit: 'unit of the price',
  currency: 'currency',
  validFrom: 'valid from',
  validTo: 'valid to',
} as const satisfies Record<ListField, string>

export const PERIOD_NAMES = {
  second: 'a second',
  minute: 'a minute',
  hour: 'an hour',
  day: 'a day',
  week: 'a week',
  '730-hours': 'a month of 730 h',
  month: 'a calendar month',
  year: 'a year',
} as const satisfies Record<PricePeriod, string>

export const PARTS_NAMES = {
  1: 'whole money',
  100: 'cents',
  1_000: 'thousandths',
  1_000_000: 'millionths',
} as const satisfies Record<(typeof PARTS_OF_MONEY)[number], string>

export const DATE_ORDER_NAMES = {
  'day-first': 'the day first',
  'month-first': 'the month first',
} as const satisfies Record<DateOrder, string>

export const ROW_KIND_NAMES = {
  'size-price': 'prices of sizes',
  'disk-price': 'prices of disks',
  'address-price': 'fixed addresses',
  'traffic-price': 'traffic out',
  'snapshot-price': 'snapshots',
} as const satisfies Record<RowKind, string>

const FAULTS: Readonly<Record<Extract<LeftOut, { why: 'unreadable' }>['problem'], string>> = {
  empty: 'is empty',
  'no-number': 'is no number',
  'several-numbers': 'is not one number',
  'no-date': 'is no date',
  'two-dates': 'can be read as two dates',
  negative: 'is below zero',
  'too-many-digits': 'has too many digits',
  'no-part': 'does not have the part that was pointed at',
  'out-of-range': 'is no such number',
  'unknown-word': 'is not known',
  'too-long': 'is too long for a name',
  'other-currency': 'is another currency',
  'per-room': 'is a price for each GiB, not for the machine',
}

/** Why rows gave nothing, after their number. */
export function leftOutText(leftOut: LeftOut): string {
  switch (leftOut.why) {
    case 'filtered':
      return 'left out by what rows are asked for'
    case 'empty':
      return 'empty'
    case 'no-price':
      return 'without a price'
    case 'no-partner':
      return `without a partner in another table${leftOut.text === '' ? '' : ` (“${leftOut.text}”)`}`
    case 'term':
      return `on terms that are left out (“${leftOut.text}”)`
    case 'band':
      return 'for larger quantities than the first'
    case 'other-day':
      return `valid on other days than the list’s first (“${leftOut.text}”)`
    case 'over':
      return `no longer valid on the list’s first day (“${leftOut.text}”)`
    case 'early':
      return `valid later only, taken from the list’s first day on (“${leftOut.text}”)`
    case 'unreadable':
      return `unreadable: ${LIST_FIELD_NAMES[leftOut.field]} ${FAULTS[leftOut.problem]}${leftOut.text === '' ? '' : ` (“${leftOut.text}”)`}`
  }
}

const UNITS: ReadonlyMap<string, string> = new Map([
  ['memory', 'the unit of memory'],
  ['vcpupercount', 'what vCPU are counted in'],
  ['period', 'what a price is for'],
  ['percount', 'for how many a price is'],
  ['parts', 'whether prices are in cents'],
  ['each', 'whether a price is for the machine or for each vCPU'],
  ['decimalmark', 'which mark stands before decimals'],
  ['dateorder', 'whether dates begin with the day'],
  ['currency', 'the currency'],
  ['diskroom', 'the unit of room'],
  ['prices', 'what columns of prices are'],
  ['places', 'which cities the places are in'],
  ['rows', 'which rows were taken'],
  ['joins', 'which tables belong together'],
  ['systems', 'which system costs nothing more'],
  ['terms', 'what the terms are'],
  ['address-states', 'that an address costs the same on, off and unattached'],
])

/** What of a book was only proposed when its list was read: `list-vcpu` of its columns, `list-of-period` of its units. */
export function listAssumptionText(about: string): string {
  const unit = UNITS.get(about.replace(/^list-of-/, ''))
  return about.startsWith('list-of-') && unit ? unit : `the column of ${about.replace(/^list-(of-)?/, '')}`
}

/** How the figures of a column are counted, in few words; undefined where there is nothing to say. */
export function columnUnitText(
  field: ListField,
  { period, perCount, parts = 1, each, memory, diskRoom, vcpuPerCount, dateOrder }: ListUnits,
  currency: string,
): string | undefined {
  switch (field) {
    case 'price': {
      const money =
        parts === 1
          ? currency
          : `${PARTS_NAMES[PARTS_OF_MONEY.find((each) => each === parts)!]} of ${currency}`
      const of = each && each !== 'machine' ? ` for each ${each === 'vcpu' ? 'vCPU' : 'core'}` : ''
      return `${money}${of} ${perCount === 1 ? PERIOD_NAMES[period] : `for ${perCount} × ${PERIOD_NAMES[period]}`}`
    }
    case 'memory':
      return memory
    case 'room':
      return diskRoom
    case 'vcpu':
      return vcpuPerCount === 1 ? undefined : `cores of ${vcpuPerCount}`
    case 'validFrom':
    case 'validTo':
      return dateOrder && DATE_ORDER_NAMES[dateOrder]
    default:
      return undefined
  }
}
