import type { ListUnits } from '../core/pricelist/listMapping.ts'
import { PARTS_OF_MONEY } from '../core/table/priceUnit.ts'
import type { Doubt } from '../core/plausible/bookDoubts.ts'
import { PARTS_NAMES, PERIOD_NAMES } from './list.ts'
import { formatNumber } from './number.ts'

const NAMES = {
  machineHour: 'A vCPU-hour with its memory costs',
  memoryPerVcpu: 'Memory per vCPU is',
  diskGiBMonth: 'A GiB of disk costs',
} as const

/** `40 times`, or `1/40 of`. */
const times = (factor: number): string =>
  factor >= 1 ? `${formatNumber(factor, 0)} times` : `1/${formatNumber(1 / factor, 0)} of`

/** Three digits that count, whatever the size of a figure. */
const rough = (value: number): string => String(Number(value.toPrecision(3)))

/** What looks wrong in a book, with its figure beside the usual one. */
export function doubtText(doubt: Doubt, currency: string): string {
  if (doubt.about === 'falling-steps')
    return `${doubt.disk} in ${doubt.place}: ${formatNumber(doubt.larger)} GiB cost less than ${formatNumber(doubt.smaller)} GiB.`
  const { about, found, usual, by } = doubt
  const unit = about === 'memoryPerVcpu' ? 'GiB' : currency
  const per = about === 'diskGiBMonth' ? ' a month' : ''
  const whose = by === 'other-books' ? 'your other books' : 'the usual'
  return `${NAMES[about]} ${rough(found)} ${unit}${per} (median): ${times(found / usual)} ${whose} (${rough(usual)}).`
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
  if (decimalMark) return `Decimals have a ${decimalMark === ',' ? 'comma' : 'point'}`
  if (period) return `Prices are for ${PERIOD_NAMES[period]}`
  if (parts !== undefined)
    return `Prices are in ${PARTS_NAMES[PARTS_OF_MONEY.find((each) => each === parts)!]}`
  if (perCount !== undefined) return `One price is for ${formatNumber(perCount)}`
  if (memory) return `Memory is in ${memory}`
  return `Disk sizes are in ${diskRoom!}`
}
