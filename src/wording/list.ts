import type { LeftOut } from '../core/pricelist/listEntry.ts'
import type { ListField, PricePeriod } from '../core/pricelist/listMapping.ts'

export const LIST_FIELD_NAMES = {
  size: 'size',
  vcpu: 'vCPU',
  memory: 'memory',
  architecture: 'built as',
  family: 'family',
  place: 'place',
  disk: 'kind of disk',
  room: 'room',
  price: 'price',
  currency: 'currency',
} as const satisfies Record<ListField, string>

export const PERIOD_NAMES = {
  second: 'a second',
  hour: 'an hour',
  '730-hours': 'a month of 730 h',
  month: 'a calendar month',
  year: 'a year',
} as const satisfies Record<PricePeriod, string>

const FAULTS: Readonly<Record<Extract<LeftOut, { why: 'unreadable' }>['problem'], string>> = {
  empty: 'is empty',
  'no-number': 'is no number',
  'several-numbers': 'is not one number',
  negative: 'is below zero',
  'too-many-digits': 'has too many digits',
  'no-part': 'does not have the part that was pointed at',
  'out-of-range': 'is no such number',
  'unknown-word': 'is not known',
  'too-long': 'is too long for a name',
  'other-currency': 'is another currency',
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
    case 'unreadable':
      return `unreadable: ${LIST_FIELD_NAMES[leftOut.field]} ${FAULTS[leftOut.problem]}${leftOut.text === '' ? '' : ` (“${leftOut.text}”)`}`
  }
}

const UNITS: ReadonlyMap<string, string> = new Map([
  ['memory', 'the unit of memory'],
  ['vcpupercount', 'what vCPU are counted in'],
  ['period', 'what a price is for'],
  ['percount', 'for how many a price is'],
  ['currency', 'the currency'],
  ['places', 'that columns are places'],
  ['rows', 'which rows were taken'],
])

/** What of a book was only proposed when its list was read: `list-vcpu` of its columns, `list-of-period` of its units. */
export function listAssumptionText(about: string): string {
  const unit = UNITS.get(about.replace(/^list-of-/, ''))
  return about.startsWith('list-of-') && unit ? unit : `the column of ${about.replace(/^list-(of-)?/, '')}`
}
