import Joi from 'joi'
import type {
  AddressPrice,
  ChangingAddressPrice,
  DiskPrice,
  LicencePrice,
  PriceBand,
  RegionPrices,
  SizePrice,
  TermsPrice,
} from '../../core/catalogue/regionPrices.ts'
import { byKey, id, label, listOf, need, objectOf, price, room } from '../reading/rules.ts'
import { MOST_KINDS, MOST_SIZES } from './bookLimits.ts'

const attached = { attachedOff: need(price), attachedOn: need(price) }

export const address = objectOf<AddressPrice>({ ...attached, unattached: need(price) }).description(
  'Per hour.',
)

export const changingAddress = objectOf<ChangingAddressPrice>({
  ...attached,
  unattached: price,
}).description('Given up with the machine: the rate of one that nothing holds need not stand there.')

const bandsUpTo = (upTo: Joi.NumberSchema) =>
  listOf(objectOf<PriceBand>({ price: need(price), upTo }), 20).min(1)

const sizeRates = {
  perHourBands: bandsUpTo(Joi.number().integer().min(1).max(10_000)).description(
    'In place of perHour: bands of the charged hours of one machine’s month, in order, each for its own hours only; the last one has no end.',
  ),
  perCoreHour: price,
  perGiBHour: price,
  perHour: price,
  perMonth: price,
  perSecond: price,
  perVcpuHour: price,
}

const licences = byKey(
  id,
  objectOf<LicencePrice>({ perHour: price, perMonth: price, perSecond: price })
    .min(1)
    .max(1)
    .description('For the machine, whatever its vCPU.'),
  20,
)

const sizePrice = objectOf<SizePrice>({
  terms: byKey(
    id,
    objectOf<TermsPrice>({ interruption: label(60), licences, ...sizeRates, upFront: price }),
    20,
  ),
  ...sizeRates,
  licences: licences.description('What licences cost with this size, by their id.'),
  zones: Joi.array().items(id).min(1).max(26).unique(),
}).description('The rates add up. Beside terms: on demand.')

const stepKey = Joi.string().pattern(/^\d{1,7}(\.\d{1,4})?$/)

const diskPrice = objectOf<DiskPrice>({
  perExtraIopsMonth: price,
  perExtraMegabytesPerSecondMonth: price,
  perGiBMonth: price,
  perGiBMonthBands: bandsUpTo(room).description(
    'In place of perGiBMonth: bands of one disk’s GiB, in order, each for its own GiB only; the last one has no end.',
  ),
  perMonthByStep: byKey(stepKey, price, 60).description('A price for every step of the kind.'),
  perTenThousandOperations: price,
})

export const regionPrices = objectOf<RegionPrices>({
  sizes: need(byKey(id, sizePrice, MOST_SIZES)),
  addresses: need(objectOf<RegionPrices['addresses']>({ changing: changingAddress, fixed: address })),
  disks: need(byKey(id, diskPrice, MOST_KINDS)),
  memoryImagePerGiBMonth: price,
  restorePerGiB: price.description('Once for each GiB that a snapshot brings back.'),
  snapshotPerGiBMonth: price,
  trafficOut: listOf(
    objectOf<NonNullable<RegionPrices['trafficOut']>[number]>({
      perGiB: need(price),
      upToGiB: Joi.number().greater(0),
    }),
    20,
  ).description('Bands in order, filled by all machines of the account; the last one has no end.'),
}).description('A size or disk kind without an entry is not sold in the region.')
