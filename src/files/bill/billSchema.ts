import Joi from 'joi'
import { BILL_SERVICES, CHARGE_CATEGORIES } from '../../core/bill/billLine.ts'
import { date, listOf, need, objectOf, tag } from '../reading/rules.ts'
import {
  BILL_FORMAT,
  type BillLineReport,
  type BillReport,
  type BillResourceReport,
  type LeftOutReport,
} from './billReport.ts'
import { BILL_TROUBLES, type BillTrouble } from './billTrouble.ts'

const text = Joi.string().max(2_000)
const count = Joi.number().integer().min(0)
export const currency = Joi.string().pattern(/^[A-Z]{3}$/)
const MOST = 2_000_000

export const figure = Joi.string()
  .pattern(/^-?\d{1,100}(\.\d{1,160})?$/)
  .description('Decimal text with all its digits.')

export const line = objectOf<BillLineReport>({
  currency,
  period: date.description('The first day of the billing period.'),
  provider: text,
  service: Joi.valid(...BILL_SERVICES),
  resourceId: text,
  resourceName: text,
  resourceType: text,
  region: text,
  zone: text,
  meter: text,
  sku: text,
  unitPrice: text.description('Of one pricing unit, as the bill writes it.'),
  pricingUnit: text,
  consumedUnit: text,
  pricing: text,
  commitment: text,
  commitmentStatus: text,
  category: need(Joi.valid(...CHARGE_CATEGORIES)),
  isCorrection: Joi.valid(true).description('It mends an earlier period.'),
  day: need(date),
  lastDay: date.description('Where it is about more than one day.'),
  rows: need(count),
  billed: need(figure),
  effective: need(figure),
  list: figure,
  quantity: figure,
  consumed: figure,
})

const resource = objectOf<BillResourceReport>({
  id: need(text),
  name: text,
  tags: Joi.object().pattern(Joi.string(), Joi.string().allow('')),
  details: listOf(
    objectOf<NonNullable<BillResourceReport['details']>[number]>({
      meter: need(text.allow('')),
      of: need(Joi.object().unknown()).description('SkuPriceDetails as FOCUS has them.'),
    }),
    40,
  ),
})

export const leftOut = objectOf<LeftOutReport>({
  service: need(text),
  currency: need(currency),
  rows: need(count),
  effective: need(figure),
})

export const trouble = objectOf<BillTrouble>({
  code: need(Joi.valid(...BILL_TROUBLES)),
  rows: need(count),
  isLeftOut: need(Joi.boolean()),
  file: need(text),
  row: need(count).description('Where it is first; the heading is row 1.'),
  text: need(text.allow('')),
})

const file = objectOf<BillReport['files'][number]>({
  name: need(text),
  rows: need(count),
  isRepeated: need(Joi.boolean()).description('It holds what an earlier one does, and is not counted.'),
})

export const billSchema = objectOf<BillReport>({
  format: tag(BILL_FORMAT),
  timeZone: need(text),
  files: need(listOf(file, 10_000)),
  rows: need(count),
  used: need(count),
  lines: need(listOf(line, MOST)),
  resources: need(listOf(resource, MOST)),
  leftOut: need(listOf(leftOut, 10_000)),
  troubles: need(listOf(trouble, 100)),
})
