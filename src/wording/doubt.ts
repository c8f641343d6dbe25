import type { ListUnits } from '../core/pricelist/listMapping.ts'
import { PARTS_OF_MONEY } from '../core/table/priceUnit.ts'
import type { Doubt } from '../core/plausible/bookDoubts.ts'
import { PARTS_NAMES, PERIOD_NAMES } from './list.ts'
import { formatNumber } from './number.ts'

const NAMES = {
  machineHour: 'an hour of a vCPU with its memory',
  memoryPerVcpu: 'memory for each vCPU',
  diskGiBMonth: 'a GiB of disk for a month',
} as const

/** `40` times, or `one 40th`. */
const times = (factor: number): string =>
  factor >= 1 ? `${formatNumber(factor, 0)} times` : `one ${formatNumber(1 / factor, 0)}th of`

/** Three digits that count, whatever the size of a figure. */
const rough = (value: number): string => String(Number(value.toPrecision(3)))

/** What looks wrong in a book, with its figure beside the usual one. */
export function doubtText(doubt: Doubt, currency: string): string {
  if (doubt.about === 'falling-steps')
    return `${doubt.disk} in ${doubt.place}: ${formatNumber(doubt.larger)} GiB cost less than ${formatNumber(doubt.smaller)} GiB.`
  const { about, found, usual, by } = doubt
  const unit = about === 'memoryPerVcpu' ? 'GiB' : currency
  const whose = by === 'other-books' ? 'in your other books' : 'common'
  return `${NAMES[about]}: ${rough(found)} ${unit} in the middle, about ${times(found / usual)} what is ${whose} (${rough(usual)}).`
}

/** What would make it usual, as a person would say it. */
export function mendUnitsText({
  decimalMark,
  period,
  parts,
  perCount,
  memory,
  diskRoom,
}: Partial<ListUnits>): string {
  if (decimalMark) return `Read a ${decimalMark === ',' ? 'comma' : 'point'} before decimals`
  if (period) return `Prices are for ${PERIOD_NAMES[period]}`
  if (parts !== undefined)
    return `Prices are in ${PARTS_NAMES[PARTS_OF_MONEY.find((each) => each === parts)!]}`
  if (perCount !== undefined) return `A price is for ${formatNumber(perCount)}`
  if (memory) return `Memory is in ${memory}`
  return `Room is in ${diskRoom!}`
}
