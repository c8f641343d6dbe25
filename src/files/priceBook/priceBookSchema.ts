import Joi from 'joi'
import type { PriceBook } from '../../core/catalogue/priceBook.ts'
import {
  byKey,
  count,
  currency,
  date,
  id,
  idListOf,
  label,
  listOf,
  price,
  room,
  timeZone,
} from '../reading/rules.ts'

export const PRICE_BOOK_KIND = 'notchgauge/price-book'
export const PRICE_BOOK_VERSION = 1

const MOST_SIZES = 5_000
const MOST_REGIONS = 200
const MOST_KINDS = 100

const changeTime = Joi.object({
  seconds: count(86_400).required(),
  secondsPerGiB: Joi.number().min(0).max(3_600),
  secondsPerRestoredGiB: Joi.number().min(0).max(3_600),
})

const stateRow = Joi.object({
  compute: Joi.boolean().required(),
  licence: Joi.boolean().required(),
  disks: Joi.boolean().required(),
  address: Joi.valid('attachedOn', 'attachedOff', 'unattached', 'none').required(),
  memoryImage: Joi.boolean().required(),
  leave: changeTime,
  return: changeTime,
})

const states = Joi.object({
  running: stateRow.required(),
  stopped: stateRow,
  deallocated: stateRow,
  hibernated: stateRow,
  deleted: stateRow,
})

const billing = Joi.object({
  minimumSeconds: count(86_400).required(),
  incrementSeconds: Joi.number().integer().min(1).max(86_400).required(),
  vcpuPerCore: Joi.number().integer().min(1).max(16),
  longRunRebate: listOf(Joi.object({ upToShare: price.required(), rateShare: price.required() }), 20),
})

const quota = count(100_000)

const region = Joi.object({
  id: id.required(),
  name: label(60).required(),
  country: Joi.string()
    .pattern(/^[A-Z]{2}$/)
    .messages({ 'string.pattern.base': 'a country of two capital letters (ISO 3166-1)' })
    .required(),
  jurisdiction: label(20).required(),
  latitude: Joi.number().min(-90).max(90).required(),
  longitude: Joi.number().min(-180).max(180).required(),
  zones: Joi.array().items(id).min(1).max(26).unique().required(),
})

/** Steps of a free choice; what can be chosen must be a figure that a plan can hold. */
const stepsOf = (figure: Joi.NumberSchema) =>
  Joi.object({
    least: figure.required(),
    most: figure.min(Joi.ref('least')).required(),
    step: figure.required(),
  })

const size = Joi.object({
  id: id.required(),
  name: label(60).required(),
  family: id.required(),
  generation: Joi.number().integer().min(1).max(99).required(),
  architecture: Joi.valid('x86-64', 'arm64').required(),
  vcpu: Joi.number().integer().min(1).max(4_096).required(),
  cores: Joi.number().integer().min(1).max(4_096),
  choice: Joi.object({
    vcpu: stepsOf(count(4_096).min(1)).required(),
    memoryGiB: stepsOf(room.max(65_536)).required(),
  }),
  sharedCore: Joi.boolean(),
  memoryGiB: room.required(),
  localDiskGiB: room,
  includedTrafficGiB: room,
  accelerator: Joi.object({
    name: label(60).required(),
    count: Joi.number().integer().min(1).max(64).required(),
    memoryGiB: room.required(),
  }),
  mostDisks: Joi.number().integer().min(1).max(256).required(),
  diskKinds: Joi.array().items(id).min(1).max(MOST_KINDS).unique().required(),
  iops: count(10_000_000).required(),
  megabytesPerSecond: count(1_000_000).required(),
  networkMegabitsPerSecond: count(10_000_000).required(),
  hibernation: Joi.boolean().required(),
})

const diskKind = Joi.object({
  id: id.required(),
  name: label(60).required(),
  about: label(200).required(),
  room: Joi.alternatives()
    .conditional('.by', {
      is: 'step',
      then: Joi.object({
        by: Joi.valid('step').required(),
        stepsGiB: Joi.array()
          .items(room)
          .min(1)
          .max(60)
          .custom((steps: number[], helpers) =>
            steps.every((step, i) => i === 0 || step > steps[i - 1]!) ? steps : helpers.error('steps.order'),
          )
          .messages({ 'steps.order': 'steps that grow from one to the next' })
          .required(),
      }),
      otherwise: Joi.alternatives().conditional('.by', {
        is: 'size',
        then: Joi.object({ by: Joi.valid('size').required() }),
        otherwise: Joi.object({
          by: Joi.valid('gib').required(),
          leastGiB: room.required(),
          mostGiB: room.min(Joi.ref('leastGiB')).required(),
        }),
      }),
    })
    .required(),
  iops: Joi.object({
    base: count(10_000_000).required(),
    perGiB: Joi.number().min(0).max(100_000).required(),
    least: count(10_000_000).required(),
    most: count(10_000_000).min(Joi.ref('least')).required(),
    boughtMost: count(10_000_000),
  }).required(),
  megabytesPerSecond: Joi.object({
    base: count(1_000_000).required(),
    perGiB: Joi.number().min(0).max(100_000).required(),
    least: count(1_000_000),
    most: count(1_000_000).required(),
    boughtMost: count(1_000_000),
  }).required(),
  boots: Joi.boolean().required(),
})

const licence = Joi.object({
  id: id.required(),
  name: label(60).required(),
  perVcpuHour: price.required(),
  leastVcpu: count(4_096).required(),
  ownLicence: Joi.boolean().required(),
})

const image = Joi.object({
  id: id.required(),
  name: label(60).required(),
  about: label(200).required(),
  architectures: Joi.array().items(Joi.valid('x86-64', 'arm64')).min(1).max(2).unique().required(),
  least: Joi.object({
    vcpu: count(4_096).required(),
    memoryGiB: room.required(),
    diskGiB: room.required(),
  }).required(),
  usedGiB: room.required(),
  hibernation: Joi.boolean().required(),
  licence: id,
  subscription: id,
})

const terms = Joi.object({
  id: id.required(),
  name: label(60).required(),
  kind: Joi.valid('on-demand', 'spot', 'commitment', 'flat').required(),
  interruption: label(60).when('kind', { is: 'spot', then: Joi.required(), otherwise: Joi.forbidden() }),
  hibernation: Joi.boolean().when('kind', { is: 'spot', otherwise: Joi.forbidden() }),
  months: Joi.number()
    .integer()
    .min(1)
    .max(120)
    .when('kind', { is: 'commitment', then: Joi.required(), otherwise: Joi.forbidden() }),
  upFront: Joi.valid('none', 'part', 'all').when('kind', {
    is: 'commitment',
    then: Joi.required(),
    otherwise: Joi.forbidden(),
  }),
  capHours: count(745).when('kind', { is: 'flat', otherwise: Joi.forbidden() }),
})

const attached = { attachedOn: price.required(), attachedOff: price.required() }
const fixedAddress = Joi.object({ ...attached, unattached: price.required() })
/** It is given up with the machine, and never held by nothing. */
const changingAddress = Joi.object({ ...attached, unattached: price })

const sizeRates = {
  perHour: price,
  perMonth: price,
  perVcpuHour: price,
  perCoreHour: price,
  perGiBHour: price,
}

const regionPrices = Joi.object({
  sizes: byKey(
    id,
    Joi.object({
      ...sizeRates,
      zones: Joi.array().items(id).min(1).max(26).unique(),
      terms: byKey(id, Joi.object({ ...sizeRates, upFront: price, interruption: label(60) }), 20),
    }),
    MOST_SIZES,
  ).required(),
  disks: byKey(
    id,
    Joi.object({
      perMonthByStep: byKey(Joi.string().pattern(/^\d{1,7}(\.\d{1,4})?$/), price, 60),
      perGiBMonth: price,
      perTenThousandOperations: price,
      perExtraIopsMonth: price,
      perExtraMegabytesPerSecondMonth: price,
    }),
    MOST_KINDS,
  ).required(),
  addresses: Joi.object({ fixed: fixedAddress, changing: changingAddress }).required(),
  memoryImagePerGiBMonth: price,
  snapshotPerGiBMonth: price,
  restorePerGiB: price,
  trafficOut: listOf(Joi.object({ upToGiB: Joi.number().greater(0), perGiB: price.required() }), 20),
})

/** The shape of a price book file. References between its parts are checked by checkPriceBook. */
export const priceBookSchema: Joi.ObjectSchema<PriceBook> = Joi.object({
  format: Joi.string().required(),
  provider: Joi.object({ id: id.required(), name: label(60).required() }).required(),
  edition: label(40).required(),
  currency: currency.required(),
  valid: Joi.object({ from: date.required(), until: date }).required(),
  billingZone: timeZone.required(),
  billing: billing.required(),
  states: states.required(),
  hibernation: Joi.object({ mostMemoryGiB: room.required(), longestStayHours: count(100_000) }),
  regions: idListOf(region, MOST_REGIONS).min(1).required(),
  families: idListOf(
    Joi.object({ id: id.required(), name: label(60).required(), about: label(200).required() }),
    200,
  ).required(),
  sizes: idListOf(size, MOST_SIZES).min(1).required(),
  diskKinds: idListOf(diskKind, MOST_KINDS).min(1).required(),
  licences: idListOf(licence, 200).required(),
  images: idListOf(image, 500).min(1).required(),
  terms: idListOf(terms, 50).min(1).required(),
  freeAllowances: idListOf(
    Joi.object({
      id: id.required(),
      name: label(60),
      hoursPerMonth: count(1_000_000),
      gibPerMonth: room,
      eligible: listOf(id, MOST_SIZES).required(),
      eligibleKinds: listOf(id, MOST_KINDS),
      until: date.required(),
    }),
    50,
  ),
  quotas: Joi.object({
    vcpu: quota,
    vcpuByRegion: byKey(id, quota, MOST_REGIONS),
    vcpuByFamily: byKey(id, quota, 500),
    machines: quota,
    fixedAddresses: quota,
  }),
  replacedSizes: byKey(id, id, MOST_SIZES),
  prices: byKey(id, regionPrices, MOST_REGIONS).required(),
})
