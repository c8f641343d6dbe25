import { decimalText } from '../../core/bill/decimalText.ts'
import type { BillKey } from '../../core/bill/billLine.ts'
import type { BillReading } from './readBill.ts'
import type { BillTrouble } from './billTrouble.ts'

export const BILL_VERSION = 1
export const BILL_FORMAT = `notchgauge/bill/${BILL_VERSION}`

/** A bill as it was read, in JSON: amounts and quantities are decimal text with all their digits. */
export interface BillReport {
  readonly format: typeof BILL_FORMAT
  /** In which days begin. */
  readonly timeZone: string
  readonly files: BillReading['files']
  readonly rows: number
  readonly used: number
  readonly lines: readonly BillLineReport[]
  readonly resources: readonly BillResourceReport[]
  readonly leftOut: readonly LeftOutReport[]
  readonly troubles: readonly BillTrouble[]
}

/** Fields that the bill leaves empty are not there. */
export interface BillLineReport extends Partial<
  Omit<BillKey, 'category' | 'isCorrection' | 'day' | 'lastDay'>
> {
  readonly category: BillKey['category']
  readonly isCorrection?: true
  readonly day: string
  /** Where it is about more than one day. */
  readonly lastDay?: string
  readonly rows: number
  readonly billed: string
  readonly effective: string
  readonly list?: string
  readonly quantity?: string
  readonly consumed?: string
}

export interface BillResourceReport {
  readonly id: string
  readonly name?: string
  readonly tags?: Readonly<Record<string, string>>
  /** `SkuPriceDetails`, by meter. */
  readonly details?: readonly { readonly meter: string; readonly of: Readonly<Record<string, unknown>> }[]
}

export interface LeftOutReport {
  readonly service: string
  readonly currency: string
  readonly rows: number
  readonly effective: string
}

export const billReport = (reading: BillReading, timeZone: string): BillReport => ({
  format: BILL_FORMAT,
  timeZone,
  files: reading.files,
  rows: reading.rows,
  used: reading.used,
  lines: reading.lines.map(
    ({
      category,
      isCorrection,
      day,
      lastDay,
      rows,
      billed,
      effective,
      list,
      quantity,
      consumed,
      ...key
    }) => ({
      ...said(key),
      category,
      ...(isCorrection && { isCorrection }),
      day,
      ...(lastDay !== day && { lastDay }),
      rows,
      billed: decimalText(billed),
      effective: decimalText(effective),
      ...(list.n !== 0n && { list: decimalText(list) }),
      ...(quantity.n !== 0n && { quantity: decimalText(quantity) }),
      ...(consumed.n !== 0n && { consumed: decimalText(consumed) }),
    }),
  ),
  resources: reading.resources.map(({ id, name, tags, details }) => ({
    id,
    ...(name !== '' && { name }),
    ...(tags.size > 0 && { tags: Object.fromEntries(tags) }),
    ...(details.size > 0 && { details: [...details].map(([meter, of]) => ({ meter, of })) }),
  })),
  leftOut: reading.leftOut.map((each) => ({ ...each, effective: decimalText(each.effective) })),
  troubles: reading.troubles,
})

/** Without what is empty. */
const said = <T extends object>(fields: T): Partial<T> =>
  Object.fromEntries(
    Object.entries(fields).filter(([, value]) => value !== '' && value !== undefined),
  ) as Partial<T>
